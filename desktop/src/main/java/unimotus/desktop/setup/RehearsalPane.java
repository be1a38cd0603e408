package unimotus.desktop.setup;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.Journey;
import unimotus.core.settings.RecordChecks;
import unimotus.core.settings.Rehearsal;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;

/** The entries in an order of one's own, tried on a virtual drive. */
final class RehearsalPane extends VBox {
  private final Desk desk;
  private final List<Map.Entry<String, SettingValue>> order = new ArrayList<>();
  private final VBox verdict = Parts.column(3);
  private final VBox rows = Parts.column(1);
  private List<Map.Entry<String, SettingValue>> proposed = List.of();
  private @Nullable AxisAssembly axis;
  private @Nullable DriveMemory from;

  RehearsalPane(Desk desk) {
    super(8);
    this.desk = desk;
    setId("rehearsal");
    getChildren()
        .addAll(
            Parts.prose(
                "A virtual drive takes the entries in this order. Move one with its arrows, or with Ctrl and the arrow keys, and see what is lost.",
                "ink-label"),
            Parts.flow(
                8,
                Parts.action("order-proposed", "Proposed", () -> order(proposed)),
                Parts.action("order-menu", "As in menu", this::asInTheMenu),
                Parts.action("order-reverse", "Reversed", this::turnedRound)),
            verdict,
            rows);
  }

  void show(AxisAssembly next, Journey journey, DriveMemory held) {
    List<Map.Entry<String, SettingValue>> entries = journey.entry().entries();
    boolean changed = axis == null || !entries.equals(proposed) || !held.equals(from);
    axis = next;
    from = held;
    proposed = entries;
    if (changed) {
      order.clear();
      order.addAll(entries);
    }
    draw();
  }

  private void order(List<Map.Entry<String, SettingValue>> next) {
    List<Map.Entry<String, SettingValue>> copy = List.copyOf(next);
    order.clear();
    order.addAll(copy);
    draw();
  }

  private void asInTheMenu() {
    List<String> menu =
        axis().driveSheet().settings().stream().map(SettingDefinition::code).toList();
    List<Map.Entry<String, SettingValue>> sorted = new ArrayList<>(proposed);
    sorted.sort(java.util.Comparator.comparingInt(e -> menu.indexOf(e.getKey())));
    order(sorted);
  }

  private void turnedRound() {
    List<Map.Entry<String, SettingValue>> turned = new ArrayList<>(proposed);
    Collections.reverse(turned);
    order(turned);
  }

  private void draw() {
    Rehearsal rehearsal =
        Rehearsal.of(Objects.requireNonNull(from), order, RecordChecks.designed(axis()));
    verdict.getChildren().clear();
    verdict
        .getChildren()
        .add(
            Parts.label(
                rehearsal.holds()
                    ? "Everything is as designed"
                    : rehearsal.losses().isEmpty()
                        ? "%d settings were not read".formatted(rehearsal.unread().size())
                        : rehearsal.losses().size() == 1
                            ? "One setting is not as designed"
                            : "%d settings are not as designed"
                                .formatted(rehearsal.losses().size()),
                rehearsal.holds() ? "ink-title" : "ink-attention"));
    for (Rehearsal.Loss loss : rehearsal.losses()) {
      verdict.getChildren().add(Parts.prose("%s: %s".formatted(loss.code(), loss.words())));
    }
    rows.getChildren().clear();
    for (int i = 0; i < order.size(); i++) {
      rows.getChildren().add(row(i, rehearsal.turns().get(i)));
    }
  }

  private HBox row(int place, Rehearsal.Turn turn) {
    SettingDefinition setting = axis().driveSheet().setting(turn.code()).orElseThrow();
    boolean refused = turn.entered().outcome() == DriveMemory.Outcome.REFUSED;
    Mark mark =
        new Mark(refused ? Mark.Kind.ATTENTION : Mark.Kind.DONE, refused ? "refused" : "taken");
    String rewritten =
        turn.entered().rewritten().isEmpty()
            ? ""
            : "  rewrites " + String.join(", ", turn.entered().rewritten().keySet());
    Button up = Parts.quiet("up-" + place, "up", () -> move(place, -1));
    Button down = Parts.quiet("down-" + place, "down", () -> move(place, 1));
    up.setDisable(place == 0);
    down.setDisable(place == order.size() - 1);
    HBox row =
        Parts.row(
            7,
            mark,
            Parts.prose(
                "%d  %s %s%s"
                    .formatted(
                        place + 1,
                        turn.code(),
                        SettingEditor.text(desk, setting, turn.value()),
                        refused ? "  refused: " + turn.entered().words() : rewritten),
                "ink-label"),
            Parts.spring(),
            up,
            down);
    row.setOnKeyPressed(
        e -> {
          if (e.isControlDown() && e.getCode() == KeyCode.UP && place > 0) {
            move(place, -1);
            e.consume();
          } else if (e.isControlDown() && e.getCode() == KeyCode.DOWN && place < order.size() - 1) {
            move(place, 1);
            e.consume();
          }
        });
    return row;
  }

  private void move(int place, int by) {
    Collections.swap(order, place, place + by);
    draw();
    if (lookup((by < 0 ? "#up-" : "#down-") + (place + by)) instanceof Button button) {
      button.requestFocus();
    }
  }

  /** There are rows and orders only once an axis was shown. */
  private AxisAssembly axis() {
    return Objects.requireNonNull(axis);
  }
}
