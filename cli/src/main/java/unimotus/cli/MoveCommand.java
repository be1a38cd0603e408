package unimotus.cli;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.ServoAxis;
import unimotus.core.motion.StepAxis;
import unimotus.core.quantity.QuantityText;
import unimotus.core.scaling.PositionPath;
import unimotus.core.servo.ServoTrace;
import unimotus.formats.trace.MoveCsv;

/** {@code move FILE --axis A}: the scaling of a servo axis, its moves and what they ask for. */
@Command(
    name = "move",
    mixinStandardHelpOptions = true,
    description = {
      "The scaling of a servo axis in every copy, its moves one by one, torque and energy they need,",
      "and gains for three degrees of dynamics; of an axis on pulses coils, switches, pulses and the",
      "torque of its moves. A simulation is not a proof."
    },
    footer = {
      "",
      "Example: unimotus move demo --axis slicer-x",
      "         unimotus move demo --axis slicer-x --at 300mm",
      "         unimotus move demo --axis bale-tie",
      "         unimotus move demo --axis slicer-x --bits held-start",
      "         unimotus move demo --axis slicer-z --csv moves.csv",
      "         unimotus move demo --axis slicer-x --run 3",
      "         unimotus move demo --axis slicer-x --recorded trace.csv"
    })
final class MoveCommand implements Callable<Integer> {
  private static final double AFTERWARDS = 0.5;

  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Option(
      names = "--at",
      paramLabel = "POSITION",
      description = "Show the way of one position from the program to the load.")
  private String at;

  @Option(
      names = "--csv",
      paramLabel = "OUT",
      description = "Run the moves through the loops and write the trace.")
  private Path csv;

  @Option(
      names = "--bits",
      paramLabel = "CASE",
      arity = "0..1",
      fallbackValue = "sound",
      description = {
        "Show the timeline of positioning by bits: sound, held-start, while-busy, absolute-twice,",
        "incremental-twice, not-homed or enable-lost."
      })
  private String bits;

  @Option(
      names = "--run",
      paramLabel = "TIMES",
      description = "Run the moves on the simulated drive, and lay each over the prediction.")
  private Integer times;

  @Option(
      names = "--recorded",
      paramLabel = "FILE",
      description = {
        "Lay a recorded position over the prediction: CSV with a column Time (s) and a column",
        "Position (mm), in whatever units, from rest on; repeats are found."
      })
  private Path recorded;

  @Override
  public Integer call() throws IOException {
    AxisAssembly assembly = input.read().assembly(axis);
    if (assembly.isStepped()) {
      return pulses(assembly);
    }
    ServoAxis servo = servo(assembly);
    if (times != null || recorded != null) {
      return OverlayTold.of(servo, times, recorded).tell(output);
    }
    if (bits != null) {
      new HandshakeTold(servo, bits).tell(output);
      return 0;
    }
    MoveTold told = new MoveTold(servo);
    if (at != null) {
      PositionPath.Places places =
          servo.path().fromNumber(QuantityText.parseIn("--at", at, servo.unit()));
      if (output.isJson()) {
        output.document(told.document(places));
      } else {
        told.print(output.text(), places);
      }
      return 0;
    }
    if (csv != null) {
      ServoTrace trace = servo.run(servo.gains(), AFTERWARDS);
      try (BufferedWriter out = Files.newBufferedWriter(csv, StandardCharsets.UTF_8)) {
        MoveCsv.write(trace, servo.radiansPerUnit(), servo.unit(), out);
      }
    }
    if (output.isJson()) {
      output.document(told.document());
    } else {
      told.print(output.text());
      if (csv != null) {
        output.text().printf("%nTrace in %s%n", csv);
      }
    }
    return servo.copies().held().keySet().stream()
            .allMatch(h -> servo.copies().againstMachine(h).orElseThrow().isEqual())
        ? 0
        : 1;
  }

  private int pulses(AxisAssembly assembly) {
    if (bits != null || times != null || recorded != null || csv != null) {
      throw new IllegalArgumentException(
          "axis '%s' is on pulses: --bits, --run, --recorded and --csv are of servo axes"
              .formatted(assembly.axis().name()));
    }
    StepAxis steps =
        StepAxis.of(assembly)
            .orElseThrow(() -> refused(assembly, StepAxis.fault(assembly).orElse("")));
    StepTold told = new StepTold(steps);
    if (at != null) {
      double number = QuantityText.parseIn("--at", at, steps.unit());
      if (output.isJson()) {
        output.document(told.document(number));
      } else {
        told.print(output.text(), number);
      }
      return 0;
    }
    if (output.isJson()) {
      output.document(told.document());
    } else {
      told.print(output.text());
    }
    return told.agrees() ? 0 : 1;
  }

  private static IllegalArgumentException refused(AxisAssembly assembly, String why) {
    return new IllegalArgumentException(
        "axis '%s': %s"
            .formatted(
                assembly.axis().name(), why.isEmpty() ? "what it does is undetermined" : why));
  }

  private static ServoAxis servo(AxisAssembly assembly) {
    return ServoAxis.of(assembly)
        .orElseThrow(() -> refused(assembly, ServoAxis.fault(assembly).orElse("")));
  }
}
