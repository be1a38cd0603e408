package unimotus.core.program;

import static unimotus.core.program.Literals.plus;
import static unimotus.core.program.Literals.real;
import static unimotus.core.program.Literals.time;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.path.AnswerPath;
import unimotus.core.path.SignalPath;
import unimotus.core.sheet.Meaning;

/** The statements of the block that commands a wired drive. */
final class WiredStatements {
  /** Drives filter their inputs for some tens of milliseconds (common practice). */
  private static final double PULSE_SECONDS = 0.3;

  /** A drive magnetises its motor and tells that it runs within this time (common practice). */
  private static final double START_SECONDS = 2;

  private final AxisAssembly axis;
  private final SignalPath path;
  private final WiredChannels channels;
  private final boolean latched;
  private final boolean showsSpeed;
  private final List<String> body = new ArrayList<>();

  WiredStatements(
      AxisAssembly axis,
      SignalPath path,
      WiredChannels channels,
      boolean latched,
      boolean showsSpeed) {
    this.axis = axis;
    this.path = path;
    this.channels = channels;
    this.latched = latched;
    this.showsSpeed = showsSpeed;
  }

  List<String> write() {
    lockStart();
    reset();
    run();
    presets();
    channels.reference().ifPresent(this::scale);
    if (showsSpeed && path.answer() != null) {
      readActual(path.answer());
    }
    remember();
    return body;
  }

  private void lockStart() {
    say(
        "Motion starts with a rising edge of Run. Anything that takes the drive out of it, as far as");
    say("it is reported, requires a new one.");
    add("IF %s THEN".formatted(String.join(" OR ", ends())));
    add("  Started := FALSE;");
    add("ELSIF (NOT RunBefore)%s THEN".formatted(ready()));
    add("  Started := TRUE;");
    if (latched && turnsLatched()) {
      add("  TurnedBack := Backward;");
    }
    add("END_IF;");
    if (channels.tells(Meaning.RUNNING)) {
      say("A start that leads to nothing is given up.");
      add(
          "StartWatch(IN := Started AND (NOT RunningSignal), PT := %s);"
              .formatted(time(START_SECONDS)));
      add("IF StartWatch.Q THEN");
      add("  Started := FALSE;");
      add("END_IF;");
    }
    add("Locked := Run AND (NOT Started);");
    add("");
  }

  /** What ends a start. */
  private List<String> ends() {
    List<String> ends = new ArrayList<>(List.of("(NOT Run)"));
    if (channels.tells(Meaning.HEALTHY)) {
      ends.add("(NOT Healthy)");
    }
    if (channels.tells(Meaning.FAULT)) {
      ends.add("FaultSignal");
    }
    if (channels.tells(Meaning.RUNNING)) {
      ends.add("(RanBefore AND (NOT RunningSignal))");
      if (channels.tells(Meaning.READY)) {
        ends.add("(NOT (ReadySignal OR RunningSignal))");
      }
    }
    if (latched && turnsLatched()) {
      ends.add("(Started AND Backward AND (NOT TurnedBack))");
      ends.add("(Started AND TurnedBack AND (NOT Backward))");
    }
    return ends;
  }

  /** A drive that only tells that it is ready may take that back while it runs. */
  private String ready() {
    boolean alone = channels.tells(Meaning.READY) && !channels.tells(Meaning.RUNNING);
    return alone ? " AND ReadySignal" : "";
  }

  private boolean turnsLatched() {
    return channels.commands(Meaning.START_REVERSE) || channels.commands(Meaning.DIRECTION);
  }

  private void reset() {
    Optional<Channel> reset = channels.command(Meaning.RESET);
    if (reset.isEmpty()) {
      return;
    }
    say("A reset is a pulse; a Reset present at power-up is old.");
    add("ResetNow := Reset AND (NOT ResetBefore);");
    add("ResetPulse(IN := ResetNow, PT := %s);".formatted(time(PULSE_SECONDS)));
    put(Meaning.RESET, "ResetPulse.Q AND (NOT Started)");
    add("");
  }

  private void run() {
    if (channels.commands(Meaning.ENABLE)) {
      say("The enable stays on, so that a stop follows its ramp.");
      put(Meaning.ENABLE, "TRUE");
    }
    if (latched) {
      say("A pulse starts; the stop is held closed while the start counts.");
      add("StartPulse(IN := Started, PT := %s);".formatted(time(PULSE_SECONDS)));
      boolean reverse = channels.commands(Meaning.START_REVERSE);
      put(Meaning.START, "Started AND StartPulse.Q" + (reverse ? " AND (NOT TurnedBack)" : ""));
      put(Meaning.START_REVERSE, "Started AND StartPulse.Q AND TurnedBack");
      put(Meaning.STOP, "Started");
      put(Meaning.DIRECTION, "TurnedBack");
    } else {
      boolean reverse = channels.commands(Meaning.RUN_REVERSE);
      put(Meaning.RUN_FORWARD, "Started" + (reverse ? " AND (NOT Backward)" : ""));
      put(Meaning.RUN_REVERSE, "Started AND Backward");
      put(Meaning.DIRECTION, "Backward");
    }
    add("");
  }

  private void presets() {
    for (Meaning meaning : Meaning.values()) {
      if (meaning.isPreset() && channels.commands(meaning)) {
        String bit = "16#%04X".formatted(1 << (meaning.preset() - 1));
        put(meaning, "Started AND ((Preset AND %s) = %s)".formatted(bit, bit));
      }
    }
    if (channels.presets() > 0) {
      add("");
    }
  }

  /** Written as it is, or the opposite where the wire is meant on while the output is off. */
  private void put(Meaning meaning, String value) {
    channels
        .command(meaning)
        .ifPresent(
            c ->
                add(
                    c.straight()
                        ? "%s := %s;".formatted(c.variable().name(), value)
                        : "%s := NOT (%s);".formatted(c.variable().name(), value)));
  }

  private void scale(Channel channel) {
    Reference scale = axis.axis().reference();
    int full = WiredProgram.fullScale(axis, channel.terminal());
    double most = most(scale);
    double least = Math.min(scale.speedAtZero(), most);
    double perCount = full / (scale.speedAtFull() - scale.speedAtZero());
    say(
        "%s to %s %s are 0 to %d counts of %s; held within what drive and program allow."
            .formatted(
                LinkProgram.number(scale.speedAtZero()),
                LinkProgram.number(scale.speedAtFull()),
                axis.axis().mechanics().unit().symbol(),
                full,
                channel.terminal()));
    add(
        "Held := LIMIT(%s, Speed, %s);"
            .formatted(real(Math.min(least, most)), real(Math.max(least, most))));
    add("IF NOT Started THEN");
    add("  Held := %s;".formatted(real(scale.speedAtZero())));
    add("END_IF;");
    String speed =
        scale.speedAtZero() == 0 ? "Held" : "(Held%s)".formatted(plus(-scale.speedAtZero()));
    add("Raw := LIMIT(0.0, %s * %s, %s);".formatted(speed, real(perCount), real(full)));
    add("%s := REAL_TO_%s(Raw);".formatted(channel.variable().name(), channel.variable().type()));
    add("");
  }

  /** The fastest machine speed that program and drive both allow. */
  private double most(Reference scale) {
    double full = scale.speedAtFull();
    double allowed = scale.speedAt(path.speedFor("the block").maximumHertz());
    return Math.abs(allowed) < Math.abs(full) ? allowed : full;
  }

  private void readActual(AnswerPath answer) {
    say("What the drive answers: " + answer.drive().origin());
    double perCount = answer.program().speedAtFull() / answer.module().fullScaleCounts();
    channels
        .answer()
        .ifPresent(
            c ->
                add(
                    "ActualSpeed := %s_TO_REAL(%s) * %s;"
                        .formatted(c.variable().type(), c.variable().name(), real(perCount))));
    add("");
  }

  private void remember() {
    say("What the next scan compares with.");
    add("RunBefore := Run;");
    if (channels.tells(Meaning.RUNNING)) {
      add("RanBefore := RunningSignal;");
    }
    if (channels.commands(Meaning.RESET)) {
      add("ResetBefore := Reset;");
    }
  }

  private void say(String words) {
    add(FunctionBlock.comment(words));
  }

  private void add(String line) {
    body.add(line);
  }
}
