package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.EntryStep;
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

  @Override
  public Integer call() throws IOException {
    AxisAssembly assembly = input.read().complete(axis).assembly();
    Map<String, SettingValue> held = new LinkedHashMap<>();
    List<String> problems = List.of();
    if (found != null) {
      SettingCsv.Read read = SettingLists.read(found, assembly.driveSheet());
      held.putAll(read.values());
      problems = read.problems();
    }
    EntrySheet.Way way = byCommunication ? EntrySheet.Way.COMMUNICATION : EntrySheet.Way.KEYPAD;
    Journey journey = Journey.of(assembly, held, way);
    List<SettingComparison.Row> differences =
        found == null
            ? List.of()
            : SettingComparison.of(assembly.driveSheet(), RecordChecks.designed(assembly), held)
                .differences();
    problems.forEach(p -> System.err.println(found + ": " + p));
    if (output.isJson()) {
      output.document(document(journey, differences));
    } else {
      print(journey, differences);
    }
    return differences.stream().anyMatch(d -> d.kind() == SettingComparison.Kind.CHANGED) ? 1 : 0;
  }

  private void print(Journey journey, List<SettingComparison.Row> differences) {
    for (EntryStep step : journey.entry().steps()) {
      output
          .text()
          .printf(
              "%3d  %-6s %-28s %14s -> %-14s %s%s%n",
              step.number(),
              step.setting().code(),
              step.setting().name(),
              SettingText.of(step.setting(), step.was()),
              SettingText.of(step.setting(), step.value()),
              step.keys(),
              step.why().isEmpty() ? "" : "  (" + step.why() + ")");
      if (!step.procedure().isEmpty()) {
        output.text().printf("       guarded entry: %s%n", step.procedure());
      }
    }
    output
        .text()
        .printf(
            "%d entries, %d key presses on the way%n",
            journey.entry().steps().size(), journey.entry().presses());
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

  private static String text(SettingDefinition setting, SettingValue value) {
    return value == null ? "nothing" : SettingText.of(setting, value);
  }

  private static Map<String, Object> document(
      Journey journey, List<SettingComparison.Row> differences) {
    return Output.map(
        "steps",
        journey.entry().steps().stream().map(s -> step(journey, s)).toList(),
        "keyPresses",
        journey.entry().presses(),
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

  private static Map<String, Object> step(Journey journey, EntryStep step) {
    DerivedSetting derived = journey.derived().get(step.setting().code());
    return Output.map(
        "number", step.number(),
        "code", step.setting().code(),
        "name", step.setting().name(),
        "shows", SettingText.of(step.setting(), step.was()),
        "enter", SettingText.of(step.setting(), step.value()),
        "keys", step.keys(),
        "twice", step.twice(),
        "atStandstill", step.atStandstill(),
        "procedure", step.procedure(),
        "order", step.why(),
        "reason", derived == null ? null : derived.reason(),
        "derivation", derived == null ? null : derived.sum().text());
  }
}
