package unimotus.desktop.motion;

import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.core.motion.PositionedAxis;
import unimotus.core.motion.ServoAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.scaling.PositionPath;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.station.FindingList;

/** The copies of the scaling side by side, and the way of one position through it. */
final class ScalingSide implements MotionSide {
  private static final double LEAST_MAIN = 690;
  private static final double LEAST_SIDE = 230;
  private static final double SIDE = 290;

  private final Desk desk;
  private final CopiesGrid copies;
  private final GridPane way = new GridPane();
  private final VBox sum = new VBox(5);
  private final FindingList findings;
  private final Sides node;
  private String shownAxis = "";
  private double number;

  ScalingSide(Desk desk) {
    this.desk = desk;
    this.copies = new CopiesGrid(desk);
    this.findings = new FindingList(desk);
    way.setHgap(10);
    way.setVgap(4);
    way.setId("position-way");
    VBox wayCard =
        Parts.sheet(
            8,
            Parts.label("A position on its way, in the machine's scaling", "ink-strong"),
            way,
            sum);
    VBox copyCard = Parts.sheet(8, Parts.label("Every copy of the scaling", "ink-strong"), copies);
    VBox main = new VBox(10, copyCard, wayCard);
    VBox right =
        Parts.sheet(
            10, Parts.label("What the checks say", "ink-strong"), Parts.scrolling(findings));
    node = new Sides(Parts.scrolling(main), right, LEAST_MAIN, LEAST_SIDE, SIDE);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(PositionedAxis axis, AxisReview review) {
    if (!shownAxis.equals(axis.axis().id())) {
      shownAxis = axis.axis().id();
      number = axis.machine().feed().doubleValue();
    }
    copies.show(axis);
    showWay(axis);
    findings.show(review.findings().stream().filter(f -> f.place().contains("/motion")).toList());
  }

  private void showWay(PositionedAxis axis) {
    PositionPath path = axis.path();
    PositionPath.Places places = path.fromNumber(number);
    way.getChildren().clear();
    way.getColumnConstraints().setAll(List.of(column(), column(), column(), column(), column()));
    place(0, "Number", "in the program", axis.unit(), places.number(), v -> number = v, axis);
    place(
        1,
        axis instanceof ServoAxis ? "Counts" : "Pulses",
        axis instanceof ServoAxis ? "over the bus" : "on the wire",
        MeasureUnit.COUNTS,
        places.counts(),
        v -> number = path.fromCounts(Math.rint(v)).number(),
        axis);
    place(
        2,
        "Motor",
        "turns of the shaft",
        MeasureUnit.REVOLUTION,
        places.motorTurns(),
        v -> number = path.fromMotorTurns(v).number(),
        axis);
    place(
        3,
        "Gear",
        "turns of its output",
        MeasureUnit.REVOLUTION,
        places.outputTurns(),
        v -> number = path.fromMotorTurns(v * axis.axis().mechanics().gearRatio()).number(),
        axis);
    way.add(head("Load", "after rounding to " + axis.counted()), 4, 0);
    Label reached = Parts.label(desk.units().text(places.reached(), axis.unit()), "ink-live");
    reached.setId("way-reached");
    way.add(reached, 4, 1);
    sum.getChildren().clear();
    if (!places.fitsThirtyTwoBits()) {
      sum.getChildren().add(Parts.prose("The counts do not fit 32 bits.", "ink-attention"));
    }
    axis.sum().steps().forEach(s -> sum.getChildren().add(Parts.prose(s.text(), "ink-sum")));
    String closing =
        axis instanceof ServoAxis servo ? perCycle(servo, path) : perPulse(axis, places);
    sum.getChildren().add(Parts.prose(closing, "ink-sum"));
  }

  private String perCycle(ServoAxis axis, PositionPath path) {
    double rpm = axis.curve().mostRpm();
    return "at %s of the motor: %s counts from one set-point to the next, every %s"
        .formatted(
            desk.units().text(rpm, MeasureUnit.RPM),
            QuantityFormat.PLAIN.number(path.countsPerCycle(rpm, axis.design().cycleSeconds())),
            desk.units().text(axis.design().cycleSeconds(), MeasureUnit.SECOND_UNIT));
  }

  private String perPulse(PositionedAxis axis, PositionPath.Places places) {
    return "whole pulses miss %s of it; one pulse is %s"
        .formatted(
            QuantityFormat.PLAIN.text(Math.abs(places.number() - places.reached()), axis.unit()),
            QuantityFormat.PLAIN.text(axis.machine().resolution(), axis.unit()));
  }

  private static ColumnConstraints column() {
    ColumnConstraints column = new ColumnConstraints();
    column.setPercentWidth(20);
    column.setHgrow(Priority.ALWAYS);
    column.setHalignment(HPos.LEFT);
    return column;
  }

  private static Node head(String name, String where) {
    return Parts.column(0, Parts.label(name, "ink-strong"), Parts.prose(where, "ink-label"));
  }

  private void place(
      int column,
      String name,
      String where,
      MeasureUnit unit,
      double value,
      DoubleConsumer take,
      PositionedAxis axis) {
    QuantityField field =
        new QuantityField(
            name + " on its way",
            unit,
            desk::units,
            v -> {
              take.accept(v);
              showWay(axis);
            },
            desk::refuse);
    field.setId("way-" + name.toLowerCase(java.util.Locale.ROOT));
    field.setMaxWidth(Double.MAX_VALUE);
    field.show(value);
    way.add(head(name, where), column, 0);
    way.add(field, column, 1);
  }
}
