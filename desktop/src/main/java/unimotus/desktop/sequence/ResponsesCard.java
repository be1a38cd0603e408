package unimotus.desktop.sequence;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Part;
import unimotus.core.machine.Response;
import unimotus.core.plant.Plant;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.motion.EditField;
import unimotus.workbench.SequenceEdits;

/** What happens at the machine in answer to a coil: a cylinder reaches its end, a door closes. */
final class ResponsesCard extends VBox {
  private static final double USUAL_SECONDS = 0.5;

  private final Desk desk;
  private final Plant plant;
  private final List<PlacedDevice> switches;
  private final List<PlacedDevice> coils;

  ResponsesCard(Desk desk, Plant plant) {
    super(8);
    this.desk = desk;
    this.plant = plant;
    this.switches = parts(s -> s.positions().size() > 1 && s.first(TerminalRole.COIL).isEmpty());
    this.coils = parts(s -> s.first(TerminalRole.COIL).isPresent());
    getStyleClass().add("sheet");
    getChildren().add(Parts.label("What answers at the machine", "ink-strong"));
    List<Response> all = plant.design().responses();
    for (int i = 0; i < all.size(); i++) {
      getChildren().add(row(i, all.get(i)));
    }
    getChildren().add(adder());
  }

  private List<PlacedDevice> parts(java.util.function.Predicate<PartSheet> which) {
    return plant.line().devices().stream()
        .filter(d -> d.device() instanceof Part)
        .filter(d -> d.sheet() instanceof PartSheet s && which.test(s))
        .toList();
  }

  private Node row(int at, Response response) {
    return Parts.column(
        4,
        Parts.row(
            8,
            Parts.prose(
                "%s is operated by %s"
                    .formatted(plant.name(response.part()), plant.name(response.coil()))),
            Parts.spring(),
            Parts.quiet(
                "forget-response-" + at,
                "remove",
                () -> desk.apply(SequenceEdits.forget(plant.design(), response)))),
        Parts.flow(
            8,
            Parts.label("after", "ink-label"),
            EditField.of(
                desk,
                "response-%d-on".formatted(at),
                response.onSeconds(),
                MeasureUnit.SECOND_UNIT,
                v ->
                    SequenceEdits.respond(
                        plant.design(), with(response, v, response.offSeconds()))),
            Parts.label("let go after", "ink-label"),
            EditField.of(
                desk,
                "response-%d-off".formatted(at),
                response.offSeconds(),
                MeasureUnit.SECOND_UNIT,
                v ->
                    SequenceEdits.respond(
                        plant.design(), with(response, response.onSeconds(), v)))));
  }

  private static Response with(Response of, double on, double off) {
    return new Response(of.part(), of.coil(), on, off);
  }

  private Node adder() {
    if (switches.isEmpty() || coils.isEmpty()) {
      return Parts.prose(
          "No %s is wired to this controller: nothing can answer."
              .formatted(coils.isEmpty() ? "coil" : "switch"),
          "ink-label");
    }
    ChoiceField<PlacedDevice> part = field("response-part", "switch", switches);
    ChoiceField<PlacedDevice> coil = field("response-coil", "coil", coils);
    return Parts.column(
        4,
        part,
        Parts.label("is operated by", "ink-label"),
        coil,
        Parts.quiet("add-response", "add", () -> add(part, coil)));
  }

  private static ChoiceField<PlacedDevice> field(
      String id, String name, List<PlacedDevice> devices) {
    ChoiceField<PlacedDevice> field =
        new ChoiceField<>(name, devices, d -> d.device().name(), d -> {});
    field.setId(id);
    field.setMinWidth(110);
    field.setMaxWidth(Double.MAX_VALUE);
    return field.show(devices.get(0));
  }

  private void add(ChoiceField<PlacedDevice> part, ChoiceField<PlacedDevice> coil) {
    Optional.ofNullable(part.getValue())
        .ifPresent(
            p ->
                desk.apply(
                    SequenceEdits.respond(
                        plant.design(),
                        new Response(p.id(), coil.getValue().id(), USUAL_SECONDS, USUAL_SECONDS))));
  }
}
