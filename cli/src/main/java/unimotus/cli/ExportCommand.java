package unimotus.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.program.FunctionBlock;
import unimotus.core.proof.ProofList;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.schedule.WireSchedule;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.Journey;
import unimotus.core.settings.RecordChecks;
import unimotus.workbench.ControllerCode;
import unimotus.workbench.Evidence;
import unimotus.workbench.ProofLists;
import unimotus.workbench.RegisterLists;
import unimotus.workbench.Schedules;
import unimotus.workbench.SettingLists;
import unimotus.workbench.StopProof;

/** {@code export FILE --kind K --out PATH}: lists for the workshop. */
@Command(
    name = "export",
    mixinStandardHelpOptions = true,
    description = "Writes schedule, proof list, settings or entry sheet, as the file is named.",
    footer = {
      "",
      "Example: unimotus export demo --kind schedule --out wires.xlsx",
      "         unimotus export demo --kind proof-list --axis rinse-drum --out proof.pdf"
    })
final class ExportCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--kind",
      required = true,
      paramLabel = "K",
      description =
          "What to write: schedule (.csv, .xlsx), proof-list (.pdf, .txt), settings, entry-sheet or"
              + " registers (.csv), controller (.st, PLCopen .xml, variables .csv).")
  private String kind;

  @Option(names = "--out", required = true, paramLabel = "PATH", description = "Where it goes.")
  private Path out;

  @Option(
      names = "--axis",
      paramLabel = "A",
      description = "Id or name of the axis; needed for everything but a schedule.")
  private String axis;

  @Override
  public Integer call() throws IOException {
    return switch (kind) {
      case "schedule" -> schedule(input.read());
      case "proof-list" -> proofList(input.read());
      case "settings" -> settings(complete(input.read()).assembly());
      case "entry-sheet" -> entrySheet(complete(input.read()).assembly());
      case "registers" -> registers(complete(input.read()).assembly());
      case "controller" -> controller(input.read());
      default ->
          throw new IllegalArgumentException(
              "--kind '%s' is not one of schedule, proof-list, settings, entry-sheet, registers, controller"
                  .formatted(kind));
    };
  }

  private int schedule(ProjectInput.Line line) throws IOException {
    WireSchedule schedule = WireSchedule.of(line.project(), line.sheets());
    Schedules.write(schedule, out);
    tell("wires", schedule.rows().size());
    return 0;
  }

  private int proofList(ProjectInput.Line line) throws IOException {
    ProjectInput.Complete complete = complete(line);
    Evidence evidence = Evidence.of(line.project(), complete.review());
    ProofList list = StopProof.list(line.project(), evidence, QuantityFormat.PLAIN);
    ProofLists.write(list, out);
    tell("tests", list.rows().size());
    return 0;
  }

  private int settings(AxisAssembly assembly) throws IOException {
    SettingLists.write(out, assembly.driveSheet(), RecordChecks.designed(assembly));
    tell("settings", assembly.driveSheet().settings().size());
    return 0;
  }

  private int entrySheet(AxisAssembly assembly) throws IOException {
    Journey journey =
        Journey.of(assembly, DriveMemory.works(assembly.driveSheet()), EntrySheet.Way.KEYPAD);
    SettingLists.write(out, journey);
    tell("entries", journey.entry().steps().size());
    return 0;
  }

  private int registers(AxisAssembly assembly) throws IOException {
    RegisterMap map = assembly.record().fieldbus().map();
    RegisterLists.write(out, map);
    tell("registers", map.entries().size());
    return 0;
  }

  private int controller(ProjectInput.Line line) throws IOException {
    ProjectInput.Complete complete = complete(line);
    AxisAssembly assembly = complete.assembly();
    RegisterMap map = assembly.record().fieldbus().map();
    int drives =
        (int)
            line.project().records().stream()
                .filter(r -> !r.fieldbus().registers().isEmpty())
                .count();
    FunctionBlock block =
        ControllerCode.block(
            assembly, complete.review().path(), ControllerCode.usualWatch(map, drives));
    ControllerCode.write(out, assembly, block, Clock.systemUTC());
    tell("statements", block.body().size());
    return 0;
  }

  private ProjectInput.Complete complete(ProjectInput.Line line) {
    if (axis == null) {
      throw new IllegalArgumentException("--kind %s needs --axis".formatted(kind));
    }
    return line.complete(axis);
  }

  private void tell(String what, int count) {
    if (output.isJson()) {
      output.document(Output.map("kind", kind, what, count, "out", out.toString()));
    } else {
      output.text().printf("%d %s in %s%n", count, what, out);
    }
  }
}
