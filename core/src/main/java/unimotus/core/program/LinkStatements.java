package unimotus.core.program;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.fieldbus.RegisterType;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.Direction;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;

/** The statements of the block that commands one drive. */
final class LinkStatements {
  private static final String RESET_PULSE = "T#500ms";

  private final AxisAssembly axis;
  private final RegisterMap map;
  private final WordProfile profile;
  private final WordMachine machine;
  private final LinkWatch watch;
  private final int halt;
  private final List<String> body = new ArrayList<>();

  LinkStatements(AxisAssembly axis, RegisterMap map, WordProfile profile, LinkWatch watch) {
    this.axis = axis;
    this.map = map;
    this.profile = profile;
    this.machine = new WordMachine(profile);
    this.watch = watch;
    this.halt = halt();
  }

  List<String> write(RegisterEntry reference) {
    watchLink();
    readState();
    map.entry(RegisterRole.OUTPUT_FREQUENCY).ifPresent(this::readActual);
    lockStart();
    command();
    scale(reference);
    return body;
  }

  private void watchLink() {
    long milliseconds = Math.round(1000 * watch.timeoutSeconds());
    say(
        "The link: three lost messages and a scan, %s"
            .formatted(watch.sum().steps().get(1).substitution()));
    add("Silence(IN := NOT Answered, PT := T#%dms);".formatted(milliseconds));
    add("LinkLost := Silence.Q;");
    add("");
  }

  private void readState() {
    say("The state, told by masks: " + profile.source());
    add("Faulted := %s;".formatted(shown(WordState.Kind.FAULT)));
    add("Running := %s;".formatted(shown(WordState.Kind.RUNNING)));
    add("Ready := %s;".formatted(shown(WordState.Kind.READY)));
    add("");
  }

  private String shown(WordState.Kind kind) {
    List<String> masks =
        profile.states().stream().filter(s -> s.kind() == kind).map(LinkStatements::mask).toList();
    return masks.isEmpty() ? "FALSE" : String.join(" OR ", masks);
  }

  private static String mask(WordState state) {
    return "((StatusWord AND %s) = %s)".formatted(hex(state.mask()), hex(state.value()));
  }

  private void readActual(RegisterEntry entry) {
    String type = LinkProgram.type(entry);
    say("The actual frequency: " + entry.place());
    add(
        "ActualHertz := %s * %s;"
            .formatted(
                entry.type() == RegisterType.FLOAT_32 ? "OutputRaw" : type + "_TO_REAL(OutputRaw)",
                real(speeds().hertz(entry.scale(), entry.unit()))));
    add("");
  }

  private void lockStart() {
    say("After a fault or a lost link the motor starts only on a new command.");
    add("IF LinkLost OR Faulted THEN");
    add("  Locked := TRUE;");
    add("ELSIF NOT Run THEN");
    add("  Locked := FALSE;");
    add("END_IF;");
    add("ResetEdge(CLK := Reset);");
    add("ResetPulse(IN := ResetEdge.Q, PT := %s);".formatted(RESET_PULSE));
    add("");
  }

  private void command() {
    say("The control word: in each state the word that leads on.");
    add("ControlWord := %s; %s".formatted(hex(halt), FunctionBlock.comment("stop")));
    add("IF Faulted THEN");
    reset()
        .ifPresent(
            word -> {
              add("  IF ResetPulse.Q THEN");
              add("    ControlWord := %s; %s".formatted(hex(word), FunctionBlock.comment("reset")));
              add("  END_IF;");
            });
    add("ELSIF Run AND (NOT Locked) THEN");
    String keyword = "  IF";
    for (WordState state : profile.states()) {
      Optional<Step> next = onward(state);
      if (next.isPresent()) {
        add("%s %s THEN".formatted(keyword, mask(state)));
        add(
            "    ControlWord := %s; %s"
                .formatted(
                    hex(next.get().word()),
                    FunctionBlock.comment(state.name() + ": " + next.get().command())));
        keyword = "  ELSIF";
      }
    }
    add("  END_IF;");
    if (profile.direction().isInTheWord()) {
      add("  IF Backward THEN");
      add("    ControlWord := %s;".formatted(backward(profile.direction())));
      add("  END_IF;");
    }
    add("END_IF;");
    add("");
  }

  private static String backward(Direction direction) {
    return direction.forward() == 0
        ? "ControlWord OR " + hex(direction.reverse())
        : "(ControlWord AND %s) OR %s"
            .formatted(hex(0xFFFF & ~direction.forward()), hex(direction.reverse()));
  }

  /** The word that keeps a drive from running by its ramp. */
  private int halt() {
    WordState running = first(WordState.Kind.RUNNING);
    List<Step> steps = machine.way(running, Intent.STOP, runWord());
    return steps.get(steps.size() - 1).word();
  }

  private int runWord() {
    List<Step> steps = machine.way(first(WordState.Kind.READY), Intent.START_FORWARD, 0);
    return steps.get(steps.size() - 1).word();
  }

  private WordState first(WordState.Kind kind) {
    return profile.states().stream().filter(s -> s.kind() == kind).findFirst().orElseThrow();
  }

  private Optional<Integer> reset() {
    for (WordState state : profile.states()) {
      if (state.kind() == WordState.Kind.FAULT) {
        try {
          List<Step> steps = machine.way(state, Intent.RESET, halt);
          return Optional.of(steps.get(steps.size() - 1).word());
        } catch (IllegalArgumentException byItself) {
          // A state that the drive leaves by itself needs no word.
          continue;
        }
      }
    }
    return Optional.empty();
  }

  private Optional<Step> onward(WordState state) {
    if (state.kind() == WordState.Kind.FAULT) {
      return Optional.empty();
    }
    if (state.kind() == WordState.Kind.RUNNING) {
      return Optional.of(new Step(runWord(), "run on", state));
    }
    try {
      return machine.way(state, Intent.START_FORWARD, halt).stream().findFirst();
    } catch (IllegalArgumentException byItself) {
      return Optional.empty();
    }
  }

  private void scale(RegisterEntry entry) {
    Reference scale = axis.axis().reference();
    double most = speeds().maximumHertz();
    double span = scale.frequencyAtFullHertz() - scale.frequencyAtZeroHertz();
    double speedSpan = scale.speedAtFull() - scale.speedAtZero();
    say(
        "%s to %s %s are %s to %s Hz: reference of the axis. %s Hz at most: drive settings."
            .formatted(
                LinkProgram.number(scale.speedAtZero()),
                LinkProgram.number(scale.speedAtFull()),
                axis.axis().mechanics().unit().symbol(),
                LinkProgram.number(scale.frequencyAtZeroHertz()),
                LinkProgram.number(scale.frequencyAtFullHertz()),
                LinkProgram.number(most)));
    String speed =
        scale.speedAtZero() == 0 ? "Speed" : "(Speed%s)".formatted(plus(-scale.speedAtZero()));
    add(
        "Hertz := LIMIT(0.0, %s * %s%s, %s);"
            .formatted(
                speed, real(span / speedSpan), plus(scale.frequencyAtZeroHertz()), real(most)));
    if (!profile.direction().isInTheWord() && entry.minimum() < 0) {
      add("IF Backward THEN");
      add("  Hertz := -Hertz;");
      add("END_IF;");
    }
    say(entry.place());
    double perHertz = speeds().value(1, entry.unit()) / entry.scale();
    add(
        "Raw := LIMIT(%s, Hertz * %s%s, %s);"
            .formatted(
                real(raw(entry, entry.minimum())),
                real(perHertz),
                plus(-entry.offset() / entry.scale()),
                real(raw(entry, entry.maximum()))));
    add(
        entry.type() == RegisterType.FLOAT_32
            ? "ReferenceRaw := Raw;"
            : "ReferenceRaw := REAL_TO_%s(Raw);".formatted(LinkProgram.type(entry)));
  }

  private static double raw(RegisterEntry entry, double value) {
    double raw = (value - entry.offset()) / entry.scale();
    return Math.max(entry.type().least(), Math.min(entry.type().most(), raw));
  }

  private SpeedScale speeds() {
    return SpeedScale.of(axis);
  }

  private void say(String words) {
    add(FunctionBlock.comment(words));
  }

  private void add(String line) {
    body.add(line);
  }

  private static String hex(int word) {
    return "16#%04X".formatted(word);
  }

  /** A number that is added; nothing where it is zero. */
  private static String plus(double value) {
    return value == 0 ? "" : (value < 0 ? " - " : " + ") + real(Math.abs(value));
  }

  /** A real literal always has a point. */
  private static String real(double value) {
    String text = String.format(Locale.ROOT, "%.9f", value).replaceAll("0+$", "");
    return text.endsWith(".") ? text + "0" : text;
  }
}
