package unimotus.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.profile.WordProfile;
import unimotus.core.quantity.QuantityFormat;

/** Writes the function block that commands one drive over its registers. */
public final class LinkProgram {
  private final AxisAssembly axis;
  private final RegisterMap map;
  private final WordProfile profile;
  private final LinkWatch watch;

  private LinkProgram(AxisAssembly axis, RegisterMap map, WordProfile profile, LinkWatch watch) {
    this.axis = axis;
    this.map = map;
    this.profile = profile;
    this.watch = watch;
  }

  /**
   * The block of an axis.
   *
   * @param map the registers of its drive
   * @param profile the words of its drive
   * @param watch what the bus leaves for the time-out
   * @throws IllegalArgumentException where control word, status word or reference is not among the
   *     registers
   */
  public static FunctionBlock block(
      AxisAssembly axis, RegisterMap map, WordProfile profile, LinkWatch watch) {
    return new LinkProgram(axis, map, profile, watch).write();
  }

  private FunctionBlock write() {
    RegisterEntry control = needed(RegisterRole.CONTROL_WORD);
    RegisterEntry status = needed(RegisterRole.STATUS_WORD);
    RegisterEntry reference = needed(RegisterRole.REFERENCE);
    List<Variable> outputs = new ArrayList<>();
    outputs.add(new Variable("ControlWord", "WORD", control.place()));
    outputs.add(new Variable("ReferenceRaw", type(reference), reference.place()));
    outputs.add(new Variable("Ready", "BOOL", "the drive is ready, without torque"));
    outputs.add(new Variable("Running", "BOOL", "the motor has torque"));
    outputs.add(new Variable("Faulted", "BOOL", "the drive has a fault"));
    outputs.add(new Variable("LinkLost", "BOOL", "no answer for too long"));
    outputs.add(new Variable("Locked", "BOOL", "waits until Run is withdrawn"));
    output().ifPresent(e -> outputs.add(new Variable("ActualHertz", "REAL", "output frequency")));
    return new FunctionBlock(
        Variable.named("Drive " + axis.axis().name()),
        remarks(),
        inputs(status),
        outputs,
        List.of(
            new Variable("Silence", "TON", "runs while no answer comes"),
            new Variable("ResetEdge", "R_TRIG", "the moment Reset is pressed"),
            new Variable("ResetPulse", "TP", "holds the reset bit long enough for the bus"),
            new Variable("Hertz", "REAL", "wanted output frequency"),
            new Variable("Raw", "REAL", "the same in steps of the register")),
        new LinkStatements(axis, map, profile, watch).write(reference));
  }

  private RegisterEntry needed(RegisterRole role) {
    return map.entry(role)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "no register of %s has the role '%s'"
                        .formatted(axis.axis().name(), role.label())));
  }

  private Optional<RegisterEntry> output() {
    return map.entry(RegisterRole.OUTPUT_FREQUENCY);
  }

  private List<String> remarks() {
    return List.of(
        "%s: %s over a register fieldbus, unit %d"
            .formatted(
                axis.axis().name(), axis.driveSheet().name(), axis.record().fieldbus().unit()),
        "Words: %s (%s)".formatted(profile.name(), profile.source()),
        "Written from the project; change it there and write it again.",
        "A fieldbus is no stop circuit: emergency stop and guards act on the drive by wires.",
        "The risk assessment and local codes decide.");
  }

  private List<Variable> inputs(RegisterEntry status) {
    Reference scale = axis.axis().reference();
    String unit = axis.axis().mechanics().unit().symbol();
    List<Variable> inputs = new ArrayList<>();
    inputs.add(new Variable("Run", "BOOL", "runs while TRUE"));
    inputs.add(new Variable("Backward", "BOOL", "turns the direction"));
    inputs.add(new Variable("Reset", "BOOL", "a rising edge resets a fault"));
    inputs.add(
        new Variable(
            "Speed",
            "REAL",
            "wanted speed in %s; %s %s is %s Hz: reference of the axis"
                .formatted(
                    unit,
                    number(scale.speedAtFull()),
                    unit,
                    number(scale.frequencyAtFullHertz()))));
    inputs.add(new Variable("Answered", "BOOL", "TRUE in each scan in which an answer came"));
    inputs.add(new Variable("StatusWord", "WORD", status.place()));
    output().ifPresent(e -> inputs.add(new Variable("OutputRaw", type(e), e.place())));
    return inputs;
  }

  static String type(RegisterEntry entry) {
    return switch (entry.type()) {
      case SIGNED_16 -> "INT";
      case UNSIGNED_16 -> "UINT";
      case SIGNED_32 -> "DINT";
      case UNSIGNED_32 -> "UDINT";
      case FLOAT_32 -> "REAL";
      case BITS_16 -> "WORD";
      case BIT -> "BOOL";
      case TEXT_16, TEXT_32 -> "STRING";
    };
  }

  static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}
