package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.EntryStep;
import unimotus.core.settings.Habits;
import unimotus.core.settings.Journey;
import unimotus.core.settings.RecordChecks;
import unimotus.core.settings.SettingComparison;
import unimotus.core.settings.SettingText;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.settings.SettingCsv;
import unimotus.workbench.SettingLists;

/** {@code settings FILE --axis A}: the order of entry, and what a drive holds otherwise. */
@Command(
    name = "settings",
    mixinStandardHelpOptions = true,
    description = {
      "The settings of an axis' drive in the order in which they are entered, with the reason of each.",
      "With --found LIST the drive's own values are compared; exit status 1 where they differ."
    },
    footer = {"", "Example: unimotus settings demo --axis rinse-drum --found found.csv"})
final class SettingsCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Option(
      names = "--found",
      paramLabel = "LIST",
      description = "Settings as found: CSV with code, value, unit.")
  private Path found;

  @Option(names = "--by-communication", description = "Order for entering by communication.")
  private boolean byCommunication;

  @Option(
      names = "--reset-first",
      description = "Reset the drive, then enter the whole design, instead of the difference.")
  private boolean resetFirst;

  @Override
  public Integer call() throws IOException {
    AxisAssembly assembly = input.read().assembly(axis);
    Map<String, SettingValue> held = new LinkedHashMap<>();
    List<String> problems = List.of();
    if (found != null) {
      SettingCsv.Read read = SettingLists.read(found, assembly.driveSheet());
      held.putAll(read.values());
      problems = read.problems();
    }
    EntrySheet.Way way = byCommunication ? EntrySheet.Way.COMMUNICATION : EntrySheet.Way.KEYPAD;
    DriveMemory before =
        found == null
            ? DriveMemory.works(assembly.driveSheet())
            : DriveMemory.holding(assembly.driveSheet(), held);
    Habits habits = Habits.of(assembly, before, way);
    Journey journey =
        Journey.of(assembly, resetFirst ? afterReset(assembly, habits) : habits.difference());
    List<SettingComparison.Row> differences =
        found == null
            ? List.of()
            : SettingComparison.of(assembly.driveSheet(), RecordChecks.designed(assembly), held)
                .differences();
    problems.forEach(p -> System.err.println(found + ": " + p));
    if (output.isJson()) {
      output.document(document(journey, habits, differences));
    } else {
      print(journey, habits, differences);
    }
    return differences.stream().anyMatch(d -> d.kind() == SettingComparison.Kind.CHANGED) ? 1 : 0;
  }

  private static EntrySheet afterReset(AxisAssembly axis, Habits habits) {
    return habits
        .afterReset()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "--reset-first: %s is at its factory defaults, or has no reset; give --found"
                        .formatted(axis.driveSheet().name())));
  }

  private void print(Journey journey, Habits habits, List<SettingComparison.Row> differences) {
    for (EntryStep step : journey.entry().steps()) {
      output
          .text()
          .printf(
              "%3d  %-6s %-28s %14s -> %-14s %s%s%n",
              step.number(),
              step.setting().code(),
              step.setting().name(),
              text(step.setting(), step.was()),
              SettingText.of(step.setting(), step.value()),
              step.keys(),
              step.why().isEmpty() ? "" : "  (" + step.why() + ")");
      journey
          .contradiction(step)
          .ifPresent(
              d ->
                  output
                      .text()
                      .printf(
                          "       contradicts what follows, %s: %s%n",
                          SettingText.of(d.setting(), d.value()), d.reason()));
      if (!step.procedure().isEmpty()) {
        output.text().printf("       guarded entry: %s%n", step.procedure());
      }
    }
    output
        .text()
        .printf(
            "%d entries, %d key presses on the way%n",
            journey.entry().steps().size(), journey.entry().presses());
    if (found != null && !resetFirst) {
      habits
          .afterReset()
          .ifPresent(
              r ->
                  output
                      .text()
                      .printf(
                          "with --reset-first: %d entries, %d key presses%n",
                          r.steps().size(), r.presses()));
    }
    risks(habits).forEach(r -> output.text().printf("caution: %s%n", r));
    for (SettingDefinition setting : journey.entry().unread()) {
      output.text().printf("not read: %s %s%n", setting.code(), setting.name());
    }
    for (SettingComparison.Row row : differences) {
      output
          .text()
          .printf(
              "differs: %s designed %s, found %s%n",
              row.setting().code(),
              text(row.setting(), row.left()),
              text(row.setting(), row.right()));
    }
  }

  private List<String> risks(Habits habits) {
    return resetFirst ? habits.risksOfReset() : habits.risksOfDifference();
  }

  private static String text(SettingDefinition setting, @Nullable SettingValue value) {
    return value == null ? "not read" : SettingText.of(setting, value);
  }

  private Map<String, @Nullable Object> document(
      Journey journey, Habits habits, List<SettingComparison.Row> differences) {
    return Output.map(
        "steps",
        journey.entry().steps().stream().map(s -> step(journey, s)).toList(),
        "keyPresses",
        journey.entry().presses(),
        "unread",
        journey.entry().unread().stream().map(SettingDefinition::code).toList(),
        "cautions",
        risks(habits),
        "afterReset",
        habits
            .afterReset()
            .map(r -> Output.map("steps", r.steps().size(), "keyPresses", r.presses()))
            .orElse(null),
        "differences",
        differences.stream()
            .map(
                d ->
                    Output.map(
                        "code", d.setting().code(),
                        "designed", text(d.setting(), d.left()),
                        "found", text(d.setting(), d.right()),
                        "kind", d.kind().label()))
            .toList());
  }

  private static Map<String, @Nullable Object> step(Journey journey, EntryStep step) {
    DerivedSetting derived = journey.derived().get(step.setting().code());
    return Output.map(
        "number", step.number(),
        "code", step.setting().code(),
        "name", step.setting().name(),
        "shows", text(step.setting(), step.was()),
        "enter", SettingText.of(step.setting(), step.value()),
        "keys", step.keys(),
        "twice", step.twice(),
        "atStandstill", step.atStandstill(),
        "procedure", step.procedure(),
        "order", step.why(),
        "contradicts",
            journey
                .contradiction(step)
                .map(d -> SettingText.of(d.setting(), d.value()))
                .orElse(null),
        "reason", derived == null ? null : derived.reason(),
        "derivation", derived == null ? null : derived.sum().text());
  }
}
