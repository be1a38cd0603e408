package unimotus.desktop.motion;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.RadioButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StepDesign;
import unimotus.core.motion.StepAxis;
import unimotus.core.motion.StepSupplies;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.LeadTable;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.FieldCard;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.kit.WholeNumber;
import unimotus.desktop.station.FindingList;
import unimotus.workbench.MotionEdits;

/** How the coils are connected, what that makes of the motor, and the switches of the driver. */
final class CoilsSide implements StepSide {
  private static final double LEAST_MAIN = 560;
  private static final double LEAST_SIDE = 260;
  private static final double SIDE = 320;
  private static final double MILLI = 1000;
  private static final double FULL = 1;
  private static final int DIGITS = 3;
  private static final double NAMES = 110;
  private static final double LEAST_COLUMN = 96;
  private static final double MOST_COLUMN = 150;

  private final Desk desk;
  private final GridPane connections = new GridPane();
  private final VBox leads = new VBox(4);
  private final VBox sum = new VBox(3);
  private final FlowPane switches = Parts.flow(10);
  private final VBox fields = new VBox(10);
  private final FindingList findings;
  private final Sides node;

  CoilsSide(Desk desk) {
    this.desk = desk;
    this.findings = new FindingList(desk);
    connections.setHgap(14);
    connections.setVgap(5);
    connections.setId("coil-connections");
    leads.setId("lead-table");
    VBox card =
        Parts.sheet(8, Parts.label("Connection of the coils", "ink-strong"), connections, sum);
    VBox wires =
        Parts.sheet(
            8,
            Parts.label("Which lead goes where", "ink-strong"),
            Parts.prose(
                "Power off. Find the pairs by continuity; the colours differ by maker. Exchanging"
                    + " the two ends of one phase turns the direction.",
                "ink-label"),
            leads);
    VBox main = new VBox(10, card, switches, wires);
    node = new Sides(Parts.scrolling(main), Parts.scrolling(fields), LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(StepAxis axis, AxisReview review) {
    AxisAssembly assembly = Objects.requireNonNull(review.assembly());
    SwitchCards cards = new SwitchCards(desk, assembly, axis);
    switches.getChildren().setAll(cards.steps(), cards.current());
    table(axis);
    leads(axis);
    findings.show(review.findings().stream().filter(f -> f.place().contains("/motion")).toList());
    fields
        .getChildren()
        .setAll(
            pulses(axis),
            Parts.sheet(10, Parts.label("What the checks say", "ink-strong"), findings));
  }

  private void table(StepAxis axis) {
    connections.getChildren().clear();
    connections.getColumnConstraints().clear();
    column(NAMES, Region.USE_COMPUTED_SIZE);
    String[] names = {
      "current",
      "resistance",
      "inductance",
      "holds at",
      "time constant",
      "torque falls from",
      "heat at rest",
      "reduced"
    };
    for (int i = 0; i < names.length; i++) {
      connections.add(Parts.label(names[i], "ink-label"), 0, i + 1);
    }
    ToggleGroup group = new ToggleGroup();
    int at = 1;
    for (CoilConnection each : CoilConnection.of(axis.plate().leads())) {
      column(LEAST_COLUMN, MOST_COLUMN);
      connection(axis, each, group, at++);
    }
    sum.getChildren().clear();
    double volts = axis.design().stepping().supplyVolts();
    if (volts > 0) {
      axis.coils()
          .ifPresent(
              c ->
                  c.cornerSum(volts)
                      .steps()
                      .forEach(s -> sum.getChildren().add(Parts.prose(s.text(), "ink-sum"))));
      StepSupplies.current(axis)
          .ifPresent(
              c ->
                  c.sum()
                      .steps()
                      .forEach(s -> sum.getChildren().add(Parts.prose(s.text(), "ink-sum"))));
    }
  }

  private void column(double least, double most) {
    ColumnConstraints column = new ColumnConstraints();
    column.setMinWidth(least);
    column.setMaxWidth(most);
    column.setHgrow(Priority.SOMETIMES);
    connections.getColumnConstraints().add(column);
  }

  private void connection(StepAxis axis, CoilConnection each, ToggleGroup group, int column) {
    Coils coils = Coils.of(axis.plate(), each);
    StepDesign design = axis.design().stepping();
    RadioButton choice = new RadioButton(each.label());
    choice.setId("coils-" + each.name().toLowerCase(Locale.ROOT));
    choice.setToggleGroup(group);
    choice.setSelected(design.coils() == each);
    choice.setWrapText(true);
    choice.setMinHeight(Region.USE_PREF_SIZE);
    choice.setOnAction(
        e ->
            desk.apply(
                MotionEdits.pulses(
                    axis.axis().id(), "connection of the coils", d -> d.withCoils(each))));
    connections.add(choice, column, 0);
    String ink = design.coils() == each ? "ink-live" : "ink-label";
    String corner =
        design.supplyVolts() > 0
            ? text(coils.cornerRpm(design.supplyVolts()), MeasureUnit.RPM)
            : "no supply yet";
    String[] cells = {
      text(coils.amperes(), MeasureUnit.AMPERE_UNIT),
      text(coils.ohms(), MeasureUnit.OHM_UNIT),
      text(coils.henries() * MILLI, MeasureUnit.MILLIHENRY),
      text(coils.volts(), MeasureUnit.VOLT_UNIT),
      text(coils.timeConstant() * MILLI, MeasureUnit.MILLISECOND),
      corner,
      text(coils.restWatts(FULL), MeasureUnit.WATT_UNIT),
      text(coils.restWatts(axis.driver().restShare()), MeasureUnit.WATT_UNIT)
    };
    for (int i = 0; i < cells.length; i++) {
      connections.add(Parts.label(cells[i], ink), column, i + 1);
    }
  }

  private void leads(StepAxis axis) {
    leads.getChildren().clear();
    CoilConnection chosen = axis.design().stepping().coils();
    Optional<CoilConnection> fits =
        CoilConnection.of(axis.plate().leads()).stream().filter(c -> c == chosen).findFirst();
    if (fits.isEmpty()) {
      leads.getChildren().add(Parts.prose("Choose the connection first.", "ink-label"));
      return;
    }
    LeadTable table = LeadTable.of(axis.plate().leads(), fits.get());
    for (LeadTable.Row row : table.rows()) {
      leads
          .getChildren()
          .add(
              Parts.row(
                  8,
                  Parts.label(row.end(), "ink-label"),
                  Parts.label(String.join(" and ", row.leads()), "ink-live")));
    }
    table
        .joined()
        .forEach(
            pair ->
                leads
                    .getChildren()
                    .add(
                        Parts.prose(
                            "%s are joined with each other and go nowhere else"
                                .formatted(String.join(" and ", pair)),
                            "ink-label")));
    if (!table.insulated().isEmpty()) {
      leads
          .getChildren()
          .add(
              Parts.prose(
                  "insulate each by itself: " + String.join(", ", table.insulated()), "ink-label"));
    }
    leads
        .getChildren()
        .add(
            Parts.prose(
                "A1 and A2 are the ends of one half of coil A, A3 and A4 of the other; A0 is its"
                    + " centre tap.",
                "ink-label"));
  }

  private FieldCard pulses(StepAxis axis) {
    FieldCard card =
        new FieldCard(
            desk,
            "the driver takes %s to %s"
                .formatted(
                    text(axis.driver().leastVolts(), MeasureUnit.VOLT_UNIT),
                    text(axis.driver().mostVolts(), MeasureUnit.VOLT_UNIT)),
            "Supply and pulses");
    StepDesign design = axis.design().stepping();
    String id = axis.axis().id();
    card.number(
        "Supply of the driver",
        design.supplyVolts(),
        MeasureUnit.VOLT_UNIT,
        v -> MotionEdits.pulses(id, "supply of the driver", d -> d.withSupplyVolts(v)));
    StepSupplies.of(assemblies()).stream()
        .filter(s -> s.takes().containsKey(id))
        .forEach(
            s ->
                card.line(
                    s.name(),
                    Parts.prose(
                        "%s of %s for %d %s"
                            .formatted(
                                text(s.amperes(), MeasureUnit.AMPERE_UNIT),
                                text(s.limitAmperes(), MeasureUnit.AMPERE_UNIT),
                                s.takes().size(),
                                s.takes().size() == 1 ? "axis" : "axes"),
                        "ink-live")));
    card.number(
        "Pulses begin at; 0 from rest",
        design.startHertz(),
        MeasureUnit.HERTZ_UNIT,
        v -> MotionEdits.pulses(id, "start rate", d -> d.withStartHertz(v)));
    card.number(
        "Bits of the number",
        design.wordBits(),
        MeasureUnit.ONE,
        v ->
            MotionEdits.pulses(
                id,
                "bits of the number",
                d -> d.withWordBits(WholeNumber.of("bits of the number", v))));
    card.computed(
        "Turns it holds",
        Math.floor((Math.pow(2, design.wordBits() - 1.0) - 1) / axis.pulsesPerTurn()),
        MeasureUnit.ONE);
    return card;
  }

  private List<AxisAssembly> assemblies() {
    return desk.session().review().axes().stream()
        .map(AxisReview::assembly)
        .filter(Objects::nonNull)
        .toList();
  }

  private String text(double value, MeasureUnit unit) {
    return new QuantityFormat(desk.units().format().decimalMark(), DIGITS).text(value, unit);
  }
}
