package unimotus.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.processdata.DriveImage;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.PlacedValues;
import unimotus.core.value.ValueRole;

/**
 * Writes the function block that commands one drive over its registers or its process image. The
 * block is locked at power-up and after anything that takes the drive out of motion: only a rising
 * edge of Run moves it again.
 */
public final class LinkProgram {
  private final AxisAssembly axis;
  private final LinkEnd end;
  private final PlacedValues map;
  private final WordProfile profile;
  private final LinkWatch watch;

  private LinkProgram(AxisAssembly axis, LinkEnd end, WordProfile profile, LinkWatch watch) {
    this.axis = axis;
    this.end = end;
    this.map = end.values();
    this.profile = profile;
    this.watch = watch;
  }

  /**
   * The block of an axis over registers.
   *
   * @param map the registers of its drive
   * @param profile the words of its drive
   * @param watch what the bus leaves for the time-out
   * @throws IllegalArgumentException where a block cannot be true: a register is missing or cannot
   *     be written, a unit tells no speed, or the direction cannot be told
   */
  public static FunctionBlock block(
      AxisAssembly axis, RegisterMap map, WordProfile profile, LinkWatch watch) {
    return new LinkProgram(axis, LinkEnd.registers(axis, map), profile, watch).write();
  }

  /**
   * The block of an axis over process data, with the words of the mode its drive is started in.
   *
   * @param image what of its drive stands in the image of its station
   * @param watch what the bus leaves for the time-out
   * @throws IllegalArgumentException where a block cannot be true: the image does not have what it
   *     takes, or no speed is commanded over it
   */
  public static FunctionBlock block(AxisAssembly axis, DriveImage image, LinkWatch watch) {
    image
        .fault()
        .ifPresent(
            fault -> {
              throw new IllegalArgumentException(fault);
            });
    WordProfile profile = DriveProfiles.cia402(image.mode().orElseThrow());
    return new LinkProgram(axis, LinkEnd.processData(image), profile, watch).write();
  }

  private FunctionBlock write() {
    LinkRefusals refusals = new LinkRefusals(axis, end, profile);
    PlacedValue control = refusals.word(ValueRole.CONTROL_WORD);
    PlacedValue status = refusals.word(ValueRole.STATUS_WORD);
    PlacedValue reference = refusals.reference();
    refusals.states();
    output().ifPresent(refusals::actual);
    timeout(map).ifPresent(e -> refusals.timeout(e, watch));
    return new FunctionBlock(
        Variable.named("Drive " + axis.axis().name()),
        remarks(),
        inputs(status),
        outputs(control, reference),
        locals(),
        statements(reference));
  }

  private List<String> statements(PlacedValue reference) {
    List<String> all =
        new ArrayList<>(new LinkStatements(axis, map, profile, watch).write(reference));
    end.mode()
        .ifPresent(
            m -> {
              all.add("");
              all.add(FunctionBlock.comment("The mode is written each cycle: " + m.label()));
              all.add("ModeOfOperation := %d;".formatted(m.number()));
            });
    return all;
  }

  private List<Variable> outputs(PlacedValue control, PlacedValue reference) {
    List<Variable> outputs = new ArrayList<>();
    outputs.add(new Variable("ControlWord", "WORD", control.where()));
    outputs.add(new Variable("ReferenceRaw", type(reference), reference.where()));
    end.mode()
        .ifPresent(
            m -> outputs.add(new Variable("ModeOfOperation", "SINT", "0x6060: " + m.label())));
    timeout(map)
        .ifPresent(
            e ->
                outputs.add(
                    new Variable("TimeoutRaw", type(e), e.where() + ": the drive's own time-out")));
    outputs.add(
        new Variable(
            "Unknown", "BOOL", "nothing is known of the drive; it may be turning its motor"));
    outputs.add(new Variable("Ready", "BOOL", "the drive is ready, without torque"));
    outputs.add(new Variable("Running", "BOOL", "the motor has torque"));
    outputs.add(new Variable("Faulted", "BOOL", "the drive has a fault"));
    outputs.add(new Variable("LinkLost", "BOOL", "no answer for too long"));
    outputs.add(new Variable("Locked", "BOOL", "Run is present, and only a new one starts"));
    output()
        .ifPresent(
            e ->
                outputs.add(
                    new Variable(
                        "ActualHertz", "REAL", "output frequency; the last known while Unknown")));
    return outputs;
  }

  private List<Variable> locals() {
    return List.of(
        new Variable("Silence", "TON", "runs while no answer comes"),
        new Variable("Seen", "BOOL", "an answer came since power-up or the last loss"),
        new Variable("RunBefore", "BOOL", "TRUE", "Run in the last scan; a Run at power-up is old"),
        new Variable("RanBefore", "BOOL", "Running in the last scan"),
        new Variable("Started", "BOOL", "Run was given while the drive was ready, and counts"),
        new Variable("Sent", "BOOL", "the word before motion was sent since the start"),
        new Variable("StartWatch", "TON", "runs while a start has not led to motion"),
        new Variable("ResetBefore", "BOOL", "TRUE", "Reset in the last scan"),
        new Variable("ResetNow", "BOOL", "Reset was pressed, and the last pulse has rested"),
        new Variable("ResetPulse", "TP", "holds the reset bit long enough for the bus"),
        new Variable("ResetGap", "TP", "keeps the next pulse away until this one has rested"),
        new Variable("Hertz", "REAL", "wanted output frequency"),
        new Variable("Raw", "REAL", "the same in steps of the %s".formatted(end.noun())));
  }

  private Optional<? extends PlacedValue> output() {
    return map.entry(ValueRole.OUTPUT_FREQUENCY);
  }

  /** The register of the drive's own time-out; empty where there is none to write. */
  static Optional<? extends PlacedValue> timeout(PlacedValues map) {
    return map.entry(ValueRole.LINK_TIMEOUT).filter(e -> e.access().isWritable());
  }

  /** What is written there, in the unit of the register. */
  static double timeout(PlacedValue entry, LinkWatch watch) {
    MeasureUnit unit = MeasureUnit.ofSymbol(entry.unit().strip()).orElseThrow();
    return MeasureUnit.SECOND_UNIT.convert(watch.timeoutSeconds(), unit);
  }

  private List<String> remarks() {
    List<String> remarks = new ArrayList<>();
    if (profile.states().stream().noneMatch(s -> s.kind() == WordState.Kind.BLOCKED)) {
      remarks.add(
          "ATTENTION: these words tell no missing permission: Run counts until a start is given up.");
    }
    remarks.addAll(0, usual());
    return remarks;
  }

  private List<String> usual() {
    return List.of(
        "%s: %s over %s".formatted(axis.axis().name(), axis.driveSheet().name(), end.carrier()),
        "Words: %s (%s)".formatted(profile.name(), profile.source()),
        "Written from the project; change it there and write it again.",
        "Locked at power-up and after a fault, a lost permission, a stop at the drive, a lost link:",
        "Run has to be withdrawn and given again while the drive is ready.",
        setTimeout(),
        end.silence(),
        "A fieldbus is no stop circuit: emergency stop and guards act on the drive by wires.",
        "The risk assessment and local codes decide.");
  }

  private String setTimeout() {
    return timeout(map)
        .map(
            e ->
                "The drive's own time-out is set by this block: %s s in %s."
                    .formatted(number(watch.timeoutSeconds()), e.where()))
        .orElse("The drive's own time-out is not set by this block.");
  }

  private List<Variable> inputs(PlacedValue status) {
    Reference scale = axis.axis().reference();
    String unit = axis.axis().mechanics().unit().symbol();
    List<Variable> inputs = new ArrayList<>();
    inputs.add(new Variable("Run", "BOOL", "a rising edge starts, runs while TRUE"));
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
    inputs.add(new Variable("Answered", "BOOL", end.answered()));
    inputs.add(new Variable("StatusWord", "WORD", status.where()));
    output().ifPresent(e -> inputs.add(new Variable("OutputRaw", type(e), e.where())));
    return inputs;
  }

  static String type(PlacedValue entry) {
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
