package unimotus.desktop.map;

import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Snapshot;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.settings.SettingComparison;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.devices.connection.NotDone;
import unimotus.workbench.SetUpEdits;
import unimotus.workbench.Truth;
import unimotus.workbench.live.LiveLink;
import unimotus.workbench.live.LiveWatch;
import unimotus.workbench.live.OnlineSettings;

/** Reads the settings of the joined drive that stand in registers, and keeps them as online. */
final class SettingsReading extends VBox {
  private static final int MOST_LINES = 4;

  private final Desk desk;
  private final Supplier<Optional<LiveWatch>> watch;
  private final Supplier<String> who;
  private final Label said = Parts.prose("", "ink-label");
  private @Nullable AxisAssembly joined;
  private boolean reading;

  /**
   * The card.
   *
   * @param watch the link, where one is joined
   * @param who the name it is read under
   */
  SettingsReading(Desk desk, Supplier<Optional<LiveWatch>> watch, Supplier<String> who) {
    super(4);
    this.desk = desk;
    this.watch = watch;
    this.who = who;
    said.setId("settings-said");
    getChildren()
        .addAll(
            Parts.column(
                3,
                Parts.action("live-settings", "Read its settings", this::read),
                Parts.prose(
                    "as far as registers carry them, stored as the online readout", "ink-label")),
            said);
    say("");
  }

  /** Another drive is joined, or none. */
  void begin(@Nullable AxisAssembly axis) {
    joined = axis;
    reading = false;
    say("");
  }

  private void say(String text) {
    said.setText(text);
    said.setVisible(!text.isEmpty());
    said.setManaged(!text.isEmpty());
  }

  private void read() {
    Optional<LiveWatch> link = watch.get();
    AxisAssembly axis = joined;
    if (link.isEmpty() || axis == null) {
      desk.refuse("connect to a drive first");
    } else if (axis.record().fieldbus().registers().isEmpty()) {
      // The registers of a stand-in say nothing about where a real drive keeps its settings.
      desk.refuse("no registers are entered for this drive: enter its map under Registers first");
    } else if (who.get().isBlank()) {
      desk.refuse("enter your name beside Arm first");
    } else if (!reading) {
      reading = true;
      link.get().command(l -> read(l, axis, who.get()));
    }
  }

  /** On the thread of the watch. */
  private void read(LiveLink link, AxisAssembly axis, String by) throws NotDone {
    boolean kept = false;
    try {
      OnlineSettings settings =
          link.settings(
              axis.driveSheet(),
              (done, all) -> later(axis, () -> say("%d of %d read".formatted(done, all))));
      later(axis, () -> keep(link, axis, by, settings));
      kept = true;
    } finally {
      if (!kept) {
        later(axis, () -> begin(axis));
      }
    }
  }

  /** What belongs to a drive that was left meanwhile is not shown any more. */
  private void later(AxisAssembly axis, Runnable action) {
    Platform.runLater(
        () -> {
          if (axis.equals(joined)) {
            action.run();
          }
        });
  }

  private void keep(LiveLink link, AxisAssembly axis, String by, OnlineSettings settings) {
    reading = false;
    if (!settings.values().isEmpty()) {
      String now = desk.clock().instant().truncatedTo(ChronoUnit.SECONDS).toString();
      desk.apply(
          SetUpEdits.read(
              axis.drive().id(),
              new Snapshot(Snapshot.Kind.ONLINE, now, by, link.where(), settings.values())));
    }
    StringBuilder text = new StringBuilder(summary(now(axis), settings));
    some(settings.problems()).forEach(p -> text.append("\n– ").append(p));
    say(text.toString());
  }

  /** The design as it stands now: it may have changed since the drive was joined. */
  private AxisAssembly now(AxisAssembly joinedWith) {
    return LineReview.of(desk.session().project(), desk.session().sheets())
        .axis(joinedWith.axis().id())
        .map(AxisReview::assembly)
        .orElse(joinedWith);
  }

  private static String summary(AxisAssembly axis, OnlineSettings settings) {
    Map<String, SettingValue> designed = Truth.DESIGNED.of(axis).orElse(Map.of());
    long differ =
        settings.values().entrySet().stream()
            .filter(
                e ->
                    !designed.containsKey(e.getKey())
                        || !SettingComparison.isSame(designed.get(e.getKey()), e.getValue()))
            .count();
    int all = axis.driveSheet().settings().size();
    String missing =
        settings.missing().isEmpty()
            ? ""
            : " %d are in no register that can be read: %s."
                .formatted(
                    settings.missing().size(),
                    String.join(", ", some(List.copyOf(settings.missing().keySet()))));
    return "%d of %d settings read online, %d differ from the design; Set up, Compare lays them side by side.%s"
        .formatted(settings.values().size(), all, differ, missing);
  }

  private static List<String> some(List<String> lines) {
    return lines.size() <= MOST_LINES
        ? lines
        : Stream.concat(
                lines.stream().limit(MOST_LINES),
                Stream.of("and %d more".formatted(lines.size() - MOST_LINES)))
            .toList();
  }
}
