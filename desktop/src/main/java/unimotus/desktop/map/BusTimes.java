package unimotus.desktop.map;

import java.util.List;
import javafx.scene.layout.VBox;
import unimotus.core.derivation.Step;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.ReadRequest;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.SerialLine;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.ValueRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;

/** How long a bus takes for a map, what that leaves for time-outs, and what a lost link does. */
final class BusTimes {
  private static final int BITS = 11;
  private static final double MOST = 1000;

  private final Desk desk;
  private final Runnable refresh;
  private final ChoiceField<Integer> bauds;
  private final QuantityField drives;
  private final QuantityField delay;
  private final QuantityField scan;
  private int baud = 19_200;
  private double driveCount = 1;
  private double delayMilliseconds = 5;
  private double scanMilliseconds = 10;

  /**
   * The times.
   *
   * @param refresh draws them anew
   */
  BusTimes(Desk desk, Runnable refresh) {
    this.desk = desk;
    this.refresh = refresh;
    bauds =
        new ChoiceField<>(
            "baud",
            List.of(9600, 19_200, 38_400, 57_600, 115_200),
            b -> b + " baud",
            b -> {
              baud = b;
              refresh.run();
            });
    bauds.setId("map-baud");
    bauds.show(baud);
    drives = field("map-drives", "number of drives", MeasureUnit.ONE, 1, v -> driveCount = v);
    delay =
        field(
            "map-delay",
            "delay of a drive",
            MeasureUnit.MILLISECOND,
            5,
            v -> delayMilliseconds = v);
    scan =
        field(
            "map-scan",
            "scan of the program",
            MeasureUnit.MILLISECOND,
            10,
            v -> scanMilliseconds = v);
  }

  private QuantityField field(
      String id,
      String name,
      MeasureUnit unit,
      double value,
      java.util.function.DoubleConsumer take) {
    QuantityField field =
        new QuantityField(
            name,
            unit,
            desk::units,
            v -> {
              if (!(v >= 0 && v <= MOST)) {
                throw new IllegalArgumentException(
                    "%s must be 0 to 1000, not %s".formatted(name, QuantityFormat.PLAIN.number(v)));
              }
              take.accept(v);
              refresh.run();
            },
            desk::refuse);
    field.setId(id);
    field.setPrefColumnCount(5);
    field.show(value);
    return field;
  }

  /** Reading every drive once, and writing its command words. */
  private List<Step> cycle(RegisterMap map) {
    SerialLine bus = new SerialLine(baud, BITS, delayMilliseconds / 1000);
    return bus.cycle(requests(map), (int) Math.max(1, driveCount)).steps();
  }

  private static List<ReadRequest> requests(RegisterMap map) {
    return ReadRequest.fewest(map.entries(), 0);
  }

  /** What the bus leaves; a second where there is nothing to read. */
  LinkWatch watch(RegisterMap map) {
    if (requests(map).isEmpty()) {
      return new LinkWatch(1, scanMilliseconds / 1000);
    }
    List<Step> steps = cycle(map);
    return new LinkWatch(steps.get(steps.size() - 1).value() / 1000, scanMilliseconds / 1000);
  }

  /** Draws everything below what is there. */
  void show(RegisterMap map, AxisAssembly axis, VBox side) {
    List<ReadRequest> requests = requests(map);
    side.getChildren()
        .add(Parts.label("Read in %d requests".formatted(requests.size()), "ink-strong"));
    for (ReadRequest request : requests) {
      side.getChildren()
          .add(
              Parts.prose(
                  "function %d, from %d, %d places, %d bytes of answer"
                      .formatted(
                          request.table().readFunction(),
                          request.address(),
                          request.count(),
                          SerialLine.answerBytes(request)),
                  "ink-label"));
    }
    side.getChildren()
        .addAll(
            Parts.label("On a serial bus", "ink-strong"),
            Parts.flow(6, bauds, drives, Parts.label("drives", "ink-label")),
            Parts.flow(6, delay, Parts.label("until a drive answers", "ink-label")),
            Parts.flow(6, scan, Parts.label("scan of the program", "ink-label")));
    if (!requests.isEmpty()) {
      cycle(map).forEach(s -> side.getChildren().add(Parts.prose(s.text(), "ink-sum")));
      watch(map)
          .sum()
          .steps()
          .forEach(s -> side.getChildren().add(Parts.prose(s.text(), "ink-sum")));
    }
    LinkLoss loss = LinkLoss.of(axis);
    side.getChildren()
        .addAll(
            Parts.label("When the link is lost", "ink-strong"),
            Parts.prose(loss.words(), loss.runsOn() ? "ink-attention" : "ink-label"));
    map.entry(ValueRole.LINK_TIMEOUT)
        .ifPresent(
            e ->
                side.getChildren()
                    .add(
                        Parts.prose(
                            "Its register '%s' sets a time-out over the bus; it holds until the power goes."
                                .formatted(e.name()),
                            "ink-label")));
  }
}
