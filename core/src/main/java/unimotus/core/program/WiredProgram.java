package unimotus.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.path.Channels;
import unimotus.core.path.ShownQuantity;
import unimotus.core.path.SignalPath;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/**
 * Writes the function block that commands one drive over wires: run, direction, reset, presets and
 * an analog reference out, the drive's state and answer in. As over a fieldbus only a rising edge
 * of Run moves the drive, at power-up and after whatever took it out of motion.
 */
public final class WiredProgram {
  private final AxisAssembly axis;
  private final SignalPath path;
  private final WiredChannels channels;

  private WiredProgram(AxisAssembly axis, SignalPath path) {
    this.axis = axis;
    this.path = path;
    this.channels = new WiredChannels(axis);
  }

  /**
   * The block of an axis.
   *
   * @param path its signal path
   * @throws IllegalArgumentException where a block cannot be true: no output starts the drive, a
   *     channel has no address, or one that cannot be right
   */
  public static FunctionBlock block(AxisAssembly axis, SignalPath path) {
    boolean terminals =
        new EffectiveSettings(axis.drive(), axis.driveSheet())
            .is(SettingRole.COMMAND_SOURCE, Option.TERMINALS, Option.TERMINALS);
    if (!terminals) {
      throw new IllegalArgumentException(
          "%s does not take its commands from its terminals".formatted(axis.drive().name()));
    }
    WiredProgram program = new WiredProgram(axis, path);
    if (!program.channels.commands(Meaning.RUN_FORWARD)
        && !program.channels.commands(Meaning.START)) {
      throw new IllegalArgumentException(
          "no output of %s starts %s".formatted(axis.controller().name(), axis.axis().name()));
    }
    if (program.isLatched() && !program.channels.commands(Meaning.STOP)) {
      throw new IllegalArgumentException(
          "%s latches its start, and no output of %s stops it"
              .formatted(axis.drive().name(), axis.controller().name()));
    }
    program.channels.check();
    return program.write();
  }

  /**
   * A channel that a block needs an address of.
   *
   * @param terminal its terminal on the controller
   * @param what what it is for, in words
   */
  public record Use(String terminal, String what) {}

  /** The channels of the controller that a block of an axis uses; possibly none. */
  public static List<Use> uses(AxisAssembly axis) {
    return new WiredChannels(axis)
        .all().stream().map(c -> new Use(c.terminal(), c.variable().comment())).toList();
  }

  /** Counts a channel takes for full, as it is set. */
  static int fullScale(AxisAssembly axis, String point) {
    return Channels.fullScale(axis, point, axis.axis().reference().programFullScaleCounts());
  }

  private FunctionBlock write() {
    return new FunctionBlock(
        Variable.named("Drive " + axis.axis().name()),
        remarks(),
        inputs(),
        outputs(),
        locals(),
        new WiredStatements(axis, path, channels, isLatched(), showsSpeed()).write(),
        located());
  }

  private boolean isLatched() {
    return channels.commands(Meaning.START);
  }

  private boolean turns() {
    return channels.commands(Meaning.RUN_REVERSE)
        || channels.commands(Meaning.START_REVERSE)
        || channels.commands(Meaning.DIRECTION);
  }

  /** Whether what comes back is the speed, from nothing at the low end. */
  private boolean showsSpeed() {
    if (path.answer() == null) {
      return false;
    }
    ShownQuantity shown = path.answer().drive().shown();
    return shown.quantity().isSpeed() && shown.low() == 0;
  }

  private List<String> remarks() {
    List<String> remarks =
        new ArrayList<>(
            List.of(
                "%s: %s over wires".formatted(axis.axis().name(), axis.driveSheet().name()),
                "Written from the project; change it there and write it again.",
                "Locked at power-up and after anything that took the drive out of motion, as far as it is reported:",
                "Run has to be withdrawn and given again.",
                "The wires of these outputs are no stop circuit: emergency stop and guards act on the drive by themselves.",
                "The risk assessment and local codes decide."));
    if (!channels.tells(Meaning.HEALTHY) && !channels.tells(Meaning.FAULT)) {
      remarks.add(0, "ATTENTION: no input tells a fault of the drive: Run counts through it.");
    }
    if (!channels.tells(Meaning.RUNNING)) {
      remarks.add(
          0,
          "ATTENTION: no input tells that the drive runs: Run counts through a lost permission.");
    }
    if (channels.answer().isPresent() && !showsSpeed()) {
      remarks.add(0, "ATTENTION: the answer of the drive is no speed; it is not evaluated.");
    }
    return remarks;
  }

  private List<Variable> inputs() {
    List<Variable> inputs = new ArrayList<>();
    inputs.add(new Variable("Run", "BOOL", "a rising edge starts, runs while TRUE"));
    if (turns()) {
      inputs.add(
          new Variable(
              "Backward",
              "BOOL",
              isLatched()
                  ? "direction of the next start; a change while it runs stops"
                  : "turns the direction"));
    }
    if (channels.commands(Meaning.RESET)) {
      inputs.add(new Variable("Reset", "BOOL", "a rising edge resets a fault"));
    }
    if (channels.presets() > 0) {
      inputs.add(
          new Variable(
              "Preset",
              "WORD",
              "combination of the preset inputs, 0 to %d"
                  .formatted((1 << channels.presets()) - 1)));
    }
    Reference scale = axis.axis().reference();
    if (channels.reference().isPresent()) {
      inputs.add(
          new Variable(
              "Speed",
              "REAL",
              "wanted speed in %s, %s to %s"
                  .formatted(
                      axis.axis().mechanics().unit().symbol(),
                      LinkProgram.number(scale.speedAtZero()),
                      LinkProgram.number(scale.speedAtFull()))));
    }
    channels.read().forEach(c -> inputs.add(c.variable()));
    return inputs;
  }

  private List<Variable> outputs() {
    List<Variable> outputs = new ArrayList<>();
    channels.written().forEach(c -> outputs.add(c.variable()));
    outputs.add(new Variable("Locked", "BOOL", "Run is present, and only a new one starts"));
    if (showsSpeed()) {
      outputs.add(
          new Variable(
              "ActualSpeed",
              "REAL",
              "what the drive answers, in " + axis.axis().mechanics().unit().symbol()));
    }
    return outputs;
  }

  private List<Variable> locals() {
    List<Variable> locals = new ArrayList<>();
    locals.add(
        new Variable(
            "RunBefore", "BOOL", "TRUE", "Run in the last scan; a Run at power-up is old"));
    locals.add(new Variable("Started", "BOOL", "Run was given again, and counts"));
    if (channels.tells(Meaning.RUNNING)) {
      locals.add(new Variable("RanBefore", "BOOL", "RunningSignal in the last scan"));
      locals.add(new Variable("StartWatch", "TON", "runs while a start has not led to motion"));
    }
    if (isLatched()) {
      locals.add(new Variable("StartPulse", "TP", "holds the start long enough for the drive"));
      if (turns()) {
        locals.add(new Variable("TurnedBack", "BOOL", "the direction it was started in"));
      }
    }
    if (channels.commands(Meaning.RESET)) {
      locals.add(new Variable("ResetBefore", "BOOL", "TRUE", "Reset in the last scan"));
      locals.add(new Variable("ResetNow", "BOOL", "Reset was pressed"));
      locals.add(new Variable("ResetPulse", "TP", "holds the reset long enough for the drive"));
    }
    if (channels.reference().isPresent()) {
      locals.add(new Variable("Held", "REAL", "wanted speed within its limits"));
      locals.add(new Variable("Raw", "REAL", "the same in counts of the channel"));
    }
    return locals;
  }

  private List<LocatedVariable> located() {
    String prefix = Variable.named(axis.axis().name()) + "_";
    List<LocatedVariable> located = new ArrayList<>();
    channels.read().forEach(c -> located.add(located(prefix, c, "into")));
    channels.written().forEach(c -> located.add(located(prefix, c, "from")));
    return located;
  }

  private static LocatedVariable located(String prefix, Channel channel, String way) {
    Variable own = channel.variable();
    String words = "%s %s: %s".formatted(way, own.name(), own.comment());
    return new LocatedVariable(
        prefix + own.name(), Objects.requireNonNull(channel.address()), own.type(), words);
  }
}
