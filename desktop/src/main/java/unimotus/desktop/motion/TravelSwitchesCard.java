package unimotus.desktop.motion;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Part;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.StepDesign;
import unimotus.core.machine.SwitchUse;
import unimotus.core.motion.StepAxis;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.Edit;
import unimotus.workbench.MotionEdits;
import unimotus.workbench.SequenceEdits;

/** The switches that an axis on pulses operates on its way, with their places along the travel. */
final class TravelSwitchesCard extends VBox {
  private final Desk desk;
  private final StepAxis axis;
  private final String id;

  TravelSwitchesCard(Desk desk, StepAxis axis) {
    super(8);
    this.desk = desk;
    this.axis = axis;
    this.id = axis.axis().id();
    setId("travel-switches");
    getStyleClass().add("sheet");
    StepDesign design = axis.design().stepping();
    getChildren().add(Parts.label("Switches along the travel", "ink-strong"));
    List<PlacedSwitch> switches = design.switches();
    for (int i = 0; i < switches.size(); i++) {
      getChildren().add(row(i, switches.get(i)));
    }
    getChildren()
        .add(
            Parts.row(
                8,
                Parts.label("A jog runs with", "ink-label"),
                EditField.of(
                    desk,
                    "velocity-of-a-jog",
                    design.creep(),
                    new MotionUnits(axis.unit()).velocity(),
                    v -> MotionEdits.pulses(id, "velocity of a jog", s -> s.withCreep(v))),
                Parts.label("0: as moves", "ink-caption")));
    getChildren().add(adder(switches));
  }

  private Node row(int at, PlacedSwitch each) {
    ChoiceField<SwitchUse> use =
        new ChoiceField<>(
            "use of " + name(each.part()),
            List.of(SwitchUse.values()),
            SwitchUse::label,
            u -> desk.apply(place(new PlacedSwitch(each.part(), u, each.from(), each.to()))));
    use.setId("switch-use-" + at);
    return Parts.column(
        4,
        Parts.row(
            8,
            Parts.prose(name(each.part())),
            Parts.spring(),
            Parts.quiet(
                "switch-remove-" + at,
                "remove",
                () -> desk.apply(SequenceEdits.offTravel(id, each.part())))),
        Parts.flow(
            6,
            use.show(each.use()),
            Parts.label("from", "ink-label"),
            EditField.of(
                desk,
                "switch-from-" + at,
                each.from(),
                axis.unit(),
                v -> place(new PlacedSwitch(each.part(), each.use(), v, each.to()))),
            Parts.label("to", "ink-label"),
            EditField.of(
                desk,
                "switch-to-" + at,
                each.to(),
                axis.unit(),
                v -> place(new PlacedSwitch(each.part(), each.use(), each.from(), v)))),
        Parts.prose(meant(each), "ink-caption"));
  }

  private static String meant(PlacedSwitch each) {
    return switch (each.use()) {
      case LOW_END -> "operated below its second position; the mechanical end is at its first";
      case HIGH_END -> "operated above its first position; the mechanical end is at its second";
      default -> "operated between the two";
    };
  }

  private Edit place(PlacedSwitch placed) {
    return SequenceEdits.travelSwitch(id, placed);
  }

  private String name(String part) {
    return desk.session().project().device(part).map(d -> d.name()).orElse(part);
  }

  private Node adder(List<PlacedSwitch> placed) {
    List<Part> free =
        desk.session().project().parts().stream()
            .filter(this::isSwitch)
            .filter(p -> placed.stream().noneMatch(s -> s.part().equals(p.id())))
            .toList();
    if (free.isEmpty()) {
      return Parts.prose(
          placed.isEmpty()
              ? "Add a position switch or a proximity switch at Wire; it is placed here."
              : "Every switch of the line is placed.",
          "ink-label");
    }
    ChoiceField<Part> part = new ChoiceField<>("switch to place", free, Part::name, p -> {});
    part.setId("switch-to-place");
    part.show(free.get(0));
    return Parts.flow(
        8, part, Parts.quiet("place-switch", "place", () -> place(part.getValue(), placed)));
  }

  /** The first is home, which ends at 0; the next are the ends of the travel. */
  private void place(Part part, List<PlacedSwitch> placed) {
    double turn = axis.axis().mechanics().travelPerTurn();
    double least = axis.design().travel().least();
    double most = axis.design().travel().most();
    PlacedSwitch next =
        switch (placed.size()) {
          case 0 -> new PlacedSwitch(part.id(), SwitchUse.HOME, -turn, 0);
          case 1 -> new PlacedSwitch(part.id(), SwitchUse.LOW_END, least - 2 * turn, least - turn);
          case 2 -> new PlacedSwitch(part.id(), SwitchUse.HIGH_END, most + turn, most + 2 * turn);
          default -> new PlacedSwitch(part.id(), SwitchUse.SENSOR, 0, turn);
        };
    desk.apply(place(next));
  }

  private boolean isSwitch(Part part) {
    return desk.session()
        .sheets()
        .find(PartSheet.class, part.sheet())
        .filter(s -> s.positions().size() == 2)
        .filter(s -> s.first(TerminalRole.COIL).isEmpty())
        .isPresent();
  }
}
