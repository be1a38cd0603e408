package unimotus.desktop.setup;

import java.io.IOException;
import java.nio.file.Path;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Snapshot;
import unimotus.core.quantity.Count;
import unimotus.core.settings.CarriedSettings;
import unimotus.core.settings.SettingComparison;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.NameField;
import unimotus.formats.settings.SettingCsv;
import unimotus.workbench.SetUpEdits;
import unimotus.workbench.SettingLists;
import unimotus.workbench.Truth;

/** Two sets of settings side by side; lists in and out. */
final class TruthsPane extends VBox {
  private static final int MOST_PROBLEMS = 12;

  private final Desk desk;
  private final ChoiceField<Truth> left;
  private final ChoiceField<Truth> right;
  private final ChoiceField<Snapshot.Kind> kind;
  private final NameField who;
  private final VBox rows = Parts.column(2);
  private final VBox problems = Parts.column(2);
  private Truth shownLeft = Truth.DESIGNED;
  private Truth shownRight = Truth.FOUND;
  private Snapshot.Kind readKind = Snapshot.Kind.AS_FOUND;
  private @Nullable AxisAssembly axis;

  TruthsPane(Desk desk) {
    super(8);
    this.desk = desk;
    setId("truths");
    left = truth("truth-left", t -> shownLeft = t);
    right = truth("truth-right", t -> shownRight = t);
    kind =
        new ChoiceField<>(
            "what is read",
            Arrays.asList(Snapshot.Kind.values()),
            Snapshot.Kind::label,
            k -> readKind = k);
    kind.setId("read-kind");
    kind.show(readKind);
    who = new NameField(desk, "read-by");
    getChildren()
        .addAll(
            Parts.flow(8, label("Left"), left),
            Parts.flow(8, label("Right"), right),
            rows,
            Parts.label("Read from the drive", "ink-strong"),
            Parts.flow(
                8, kind, who, Parts.action("import-settings", "From a list", this::importList)),
            Parts.flow(
                8,
                Parts.quiet("keep-designed", "it is as designed", this::keepDesigned),
                Parts.quiet("export-settings", "write a list", this::exportList)),
            problems);
  }

  private static Label label(String side) {
    Label label = Parts.label(side, "ink-label");
    label.setMinWidth(40);
    return label;
  }

  private ChoiceField<Truth> truth(String id, java.util.function.Consumer<Truth> take) {
    ChoiceField<Truth> field =
        new ChoiceField<>(
            id,
            Arrays.asList(Truth.values()),
            Truth::label,
            t -> {
              take.accept(t);
              if (axis != null) {
                show(axis);
              }
            });
    field.setId(id);
    field.setMinWidth(240);
    return field;
  }

  void show(AxisAssembly next) {
    if (axis != null && !axis.drive().id().equals(next.drive().id())) {
      problems.getChildren().clear();
    }
    axis = next;
    left.show(shownLeft);
    right.show(shownRight);
    rows.getChildren().clear();
    Optional<Map<String, SettingValue>> a = shownLeft.of(next);
    Optional<Map<String, SettingValue>> b = shownRight.of(next);
    if (a.isEmpty() || b.isEmpty()) {
      Truth none = a.isEmpty() ? shownLeft : shownRight;
      rows.getChildren()
          .add(
              Parts.prose(
                  "Nothing was read '%s' yet. Read a list below, or record it as designed."
                      .formatted(none.label()),
                  "ink-label"));
      return;
    }
    SettingComparison comparison = SettingComparison.of(next.driveSheet(), a.get(), b.get());
    List<SettingComparison.Row> differences = comparison.differences();
    rows.getChildren().add(Parts.prose(counted(comparison), "ink-title"));
    if (shownLeft == Truth.ONLINE || shownRight == Truth.ONLINE) {
      notCarried(next).ifPresent(t -> rows.getChildren().add(Parts.prose(t, "ink-label")));
    }
    // What was read on both sides and differs comes first.
    differences.stream().filter(TruthsPane::isChanged).forEach(r -> rows.getChildren().add(row(r)));
    differences.stream().filter(r -> !isChanged(r)).forEach(r -> rows.getChildren().add(row(r)));
    if (!differences.isEmpty() && shownLeft == Truth.DESIGNED) {
      rows.getChildren()
          .add(
              Parts.action(
                  "take-over-right",
                  "Take the right side into the design",
                  () -> desk.apply(SetUpEdits.takeOver(next, shownRight.label(), b.get()))));
    }
  }

  private static boolean isChanged(SettingComparison.Row row) {
    return row.kind() == SettingComparison.Kind.CHANGED;
  }

  /** What was not read on one side is no difference, and no agreement either. */
  private static String counted(SettingComparison comparison) {
    long changed = comparison.rows().stream().filter(TruthsPane::isChanged).count();
    long same =
        comparison.rows().stream().filter(r -> r.kind() == SettingComparison.Kind.SAME).count();
    long unread = comparison.rows().size() - changed - same;
    String differ =
        changed == 0
            ? unread == 0 ? "No difference" : "No difference in the %d read".formatted(same)
            : "%d of %d differ".formatted(changed, changed + same);
    return unread == 0 ? differ : "%s, %d not read".formatted(differ, unread);
  }

  /** What no register of the map carries was not asked for. */
  private static Optional<String> notCarried(AxisAssembly axis) {
    Map<String, String> missing =
        CarriedSettings.of(axis.driveSheet(), axis.record().fieldbus().registers()).missing();
    return missing.isEmpty()
        ? Optional.empty()
        : Optional.of(
            "Online is what registers carry: %d settings are in none that can be read."
                .formatted(missing.size()));
  }

  private Node row(SettingComparison.Row row) {
    SettingDefinition setting = row.setting();
    return Parts.column(
        0,
        Parts.prose("%s  %s".formatted(setting.code(), setting.name()), "ink-strong"),
        Parts.prose(
            "%s%s  |  %s%s"
                .formatted(
                    text(setting, row.left()),
                    row.leftIsWorks() ? " (default)" : "",
                    text(setting, row.right()),
                    row.rightIsWorks() ? " (default)" : ""),
            row.kind() == SettingComparison.Kind.CHANGED ? "ink-sum" : "ink-label"));
  }

  private String text(SettingDefinition setting, @Nullable SettingValue value) {
    return value == null ? "not read" : SettingEditor.text(desk, setting, value);
  }

  private void importList() {
    AxisAssembly at = axis;
    if (at == null) {
      return;
    }
    desk.dialogs()
        .importFile()
        .ifPresent(
            file -> {
              try {
                SettingCsv.Read read = SettingLists.read(file, at.driveSheet());
                keep(at, String.valueOf(file.getFileName()), read.values());
                tell(read.problems());
              } catch (IOException e) {
                desk.refuse(e.getMessage());
              }
            });
  }

  private void keepDesigned() {
    if (axis != null) {
      keep(axis, "compared on the keypad", Truth.DESIGNED.of(axis).orElseThrow());
    }
  }

  private void keep(AxisAssembly at, String source, Map<String, SettingValue> values) {
    if (who.name().isEmpty()) {
      desk.refuse("enter who read the drive");
      return;
    }
    String now = desk.clock().instant().truncatedTo(ChronoUnit.SECONDS).toString();
    Snapshot snapshot = new Snapshot(readKind, now, who.name(), source, values);
    shownRight =
        Arrays.stream(Truth.values())
            .filter(t -> t.name().equals(readKind.name().replace("AS_", "")))
            .findFirst()
            .orElse(shownRight);
    desk.apply(SetUpEdits.read(at.drive().id(), snapshot));
  }

  /** What could not be taken stays to be read until the next list. */
  private void tell(List<String> found) {
    problems.getChildren().clear();
    if (!found.isEmpty()) {
      problems
          .getChildren()
          .add(Parts.label(Count.of(found.size(), "line") + " to check", "ink-attention"));
    }
    found.stream()
        .limit(MOST_PROBLEMS)
        .forEach(p -> problems.getChildren().add(Parts.prose(p, "ink-label")));
    if (found.size() > MOST_PROBLEMS) {
      problems
          .getChildren()
          .add(Parts.label("and %d more".formatted(found.size() - MOST_PROBLEMS), "ink-label"));
    }
  }

  private void exportList() {
    AxisAssembly at = axis;
    if (at == null) {
      return;
    }
    String name = at.drive().name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    desk.dialogs().export(name + "-settings.csv").ifPresent(file -> write(at, file));
  }

  private void write(AxisAssembly at, Path file) {
    try {
      SettingLists.write(file, at.driveSheet(), shownLeft.of(at).orElse(Map.of()));
      desk.say("settings %s written to %s".formatted(shownLeft.label(), file));
    } catch (IOException e) {
      desk.refuse("the list could not be written: " + e.getMessage());
    }
  }
}
