package unimotus.core.program;

import static unimotus.core.program.Literals.hex;
import static unimotus.core.program.Literals.plus;
import static unimotus.core.program.Literals.real;
import static unimotus.core.program.Literals.time;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.Direction;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.PlacedValues;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** The statements of the block that commands one drive. */
final class LinkStatements {
  /** A drive magnetises its motor and lets it go within this time (common practice). */
  private static final double DRIVE_SECONDS = 1;

  private final AxisAssembly axis;
  private final PlacedValues map;
  private final WordProfile profile;
  private final WordMachine machine;
  private final LinkWatch watch;
  private final int halt;
  private final List<String> body = new ArrayList<>();

  LinkStatements(AxisAssembly axis, PlacedValues map, WordProfile profile, LinkWatch watch) {
    this.axis = axis;
    this.map = map;
    this.profile = profile;
    this.machine = new WordMachine(profile);
    this.watch = watch;
    this.halt = halt();
  }

  List<String> write(PlacedValue reference) {
    watchLink();
    readState();
    map.entry(ValueRole.OUTPUT_FREQUENCY).ifPresent(this::readActual);
    lockStart();
    pulseReset();
    command();
    body.addAll(new ReferenceStatements(axis, profile).statements(reference));
    ownTimeout();
    remember();
    return body;
  }

  private void watchLink() {
    say(
        "The link: three lost messages and a scan, %s"
            .formatted(watch.sum().steps().get(1).substitution()));
    add("Silence(IN := NOT Answered, PT := %s);".formatted(time(watch.timeoutSeconds())));
    add("LinkLost := Silence.Q;");
    add("IF LinkLost THEN");
    add("  Seen := FALSE;");
    add("ELSIF Answered THEN");
    add("  Seen := TRUE;");
    add("END_IF;");
    add("");
  }

  private void readState() {
    say(
        "The state, decoded by masks: %s. Without an answer it is unknown."
            .formatted(profile.source()));
    add("Faulted := Seen AND (%s);".formatted(shown(WordState.Kind.FAULT)));
    add("Running := Seen AND (%s);".formatted(shown(WordState.Kind.RUNNING)));
    add("Ready := Seen AND (%s);".formatted(shown(WordState.Kind.READY)));
    String others =
        "%s OR %s".formatted(shown(WordState.Kind.BLOCKED), shown(WordState.Kind.STOPPING));
    add("Unknown := NOT (Faulted OR Running OR Ready OR (Seen AND (%s)));".formatted(others));
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

  private void readActual(PlacedValue entry) {
    String type = LinkProgram.type(entry);
    say("The actual frequency: " + entry.where());
    add("IF Answered THEN");
    add(
        "  ActualHertz := %s * %s%s;"
            .formatted(
                entry.type() == ValueType.FLOAT_32 ? "OutputRaw" : type + "_TO_REAL(OutputRaw)",
                real(speeds().hertz(entry.scale(), entry.unit())),
                plus(speeds().hertz(entry.offset(), entry.unit()))));
    add("END_IF;");
    add("");
  }

  private void lockStart() {
    say("Motion begins with a rising edge of Run while the drive is ready or still running.");
    say("Anything that takes the drive out of it requires a new one.");
    add(
        "IF (NOT Run) OR Unknown OR (NOT (Ready OR Running)) OR (RanBefore AND (NOT Running)) THEN");
    add("  Started := FALSE;");
    add("ELSIF NOT RunBefore THEN");
    add("  Started := TRUE;");
    add("END_IF;");
    say(
        "A start that leads to nothing is given up: %s for %d words, 1 s for the drive"
            .formatted(time(words() * watch.pulseSeconds()), words()));
    add(
        "StartWatch(IN := Started AND (NOT Running), PT := %s);"
            .formatted(time(words() * watch.pulseSeconds() + DRIVE_SECONDS)));
    add("IF StartWatch.Q THEN");
    add("  Started := FALSE;");
    add("END_IF;");
    add("Sent := Sent AND Started;");
    add("Locked := Run AND (NOT Started);");
    add("");
  }

  /** The states at rest from which the next word is motion. */
  private String beforeMotion() {
    return profile.states().stream()
        .filter(s -> s.kind() == WordState.Kind.READY)
        .filter(s -> onward(s).filter(LinkStatements::isMotion).isPresent())
        .map(LinkStatements::mask)
        .collect(Collectors.joining(" OR "));
  }

  private static boolean isMotion(Step step) {
    return step.then().kind() == WordState.Kind.RUNNING;
  }

  /** The most words that lead from a state at rest to motion. */
  private int words() {
    return profile.states().stream()
        .filter(s -> s.kind() == WordState.Kind.READY)
        .mapToInt(s -> machine.way(s, Intent.START_FORWARD, halt).size())
        .max()
        .orElse(1);
  }

  private void pulseReset() {
    say(
        "The reset bit is held for three cycles and a scan, and is off as long before it comes again.");
    add("ResetNow := Reset AND (NOT ResetBefore) AND (NOT ResetGap.Q);");
    add("ResetPulse(IN := ResetNow, PT := %s);".formatted(time(watch.pulseSeconds())));
    add("ResetGap(IN := ResetNow, PT := %s);".formatted(time(2 * watch.pulseSeconds())));
    add("");
  }

  private void command() {
    say("The control word: in each state the word that leads on.");
    add("ControlWord := %s; %s".formatted(hex(halt), FunctionBlock.comment("stop")));
    add("IF Faulted THEN");
    reset().ifPresent(word -> onReset(word, "reset"));
    add("ELSIF Started THEN");
    branch(profile.states().stream().filter(LinkStatements::isOnTheWay).toList());
    if (profile.direction().isInTheWord()) {
      add("  IF Backward THEN");
      add("    ControlWord := %s;".formatted(backward(profile.direction())));
      add("  END_IF;");
    }
    add("ELSIF NOT Unknown THEN");
    say("  Idle: towards ready, never into motion.");
    branch(profile.states().stream().filter(s -> s.kind() == WordState.Kind.BLOCKED).toList());
    profile.states().stream()
        .filter(s -> s.kind() == WordState.Kind.STOPPING)
        .forEach(this::leaveStop);
    add("END_IF;");
    add("");
  }

  private static boolean isOnTheWay(WordState state) {
    return state.kind() == WordState.Kind.READY || state.kind() == WordState.Kind.RUNNING;
  }

  private void onReset(int word, String what) {
    add("  IF ResetPulse.Q THEN");
    add("    ControlWord := %s; %s".formatted(hex(word), FunctionBlock.comment(what)));
    add("  END_IF;");
  }

  /** A word for each of these states that a word leads on from. */
  private void branch(List<WordState> states) {
    String keyword = "  IF";
    for (WordState state : states) {
      Optional<Step> next = onward(state);
      if (next.isPresent()) {
        add("%s %s THEN".formatted(keyword, mask(state)));
        add(
            "    ControlWord := %s; %s"
                .formatted(
                    hex(next.get().word()),
                    FunctionBlock.comment(state.name() + ": " + next.get().command())));
        if (isMotion(next.get())) {
          add("    Sent := TRUE;");
        }
        keyword = "  ELSIF";
      }
    }
    if (!keyword.equals("  IF")) {
      add("  END_IF;");
    }
  }

  /** A drive that waits in a finished stop is let out of it by Reset alone. */
  private void leaveStop(WordState state) {
    List<Step> steps = ready(state);
    if (!steps.isEmpty()) {
      add("  IF %s AND ResetPulse.Q THEN".formatted(mask(state)));
      add(
          "    ControlWord := %s; %s"
              .formatted(
                  hex(steps.get(0).word()),
                  FunctionBlock.comment(state.name() + ": " + steps.get(0).command())));
      add("  END_IF;");
    }
  }

  /** The words to a state of rest; none where the drive leaves the state by itself. */
  private List<Step> ready(WordState from) {
    try {
      return machine.toReady(from, halt);
    } catch (IllegalArgumentException byItself) {
      return List.of();
    }
  }

  /** The words of a way; none where the drive leaves the state by itself. */
  private List<Step> steps(WordState from, Intent intent) {
    try {
      return machine.way(from, intent, halt);
    } catch (IllegalArgumentException byItself) {
      return List.of();
    }
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
    return profile.states().stream()
        .filter(s -> s.kind() == WordState.Kind.FAULT)
        .map(s -> steps(s, Intent.RESET))
        .filter(way -> !way.isEmpty())
        .findFirst()
        .map(way -> way.get(way.size() - 1).word());
  }

  /** The next word: onward to motion, from a blocked state no further than to ready. */
  private Optional<Step> onward(WordState state) {
    return switch (state.kind()) {
      case FAULT, STOPPING -> Optional.empty();
      case RUNNING -> Optional.of(new Step(runWord(), "run on", state));
      case READY -> steps(state, Intent.START_FORWARD).stream().findFirst();
      case BLOCKED -> ready(state).stream().findFirst();
    };
  }

  private void ownTimeout() {
    LinkProgram.timeout(map)
        .ifPresent(
            e -> {
              add("");
              say("The drive's own time-out: " + e.where());
              String raw = real(timeoutRaw(e));
              add(
                  e.type() == ValueType.FLOAT_32
                      ? "TimeoutRaw := %s;".formatted(raw)
                      : "TimeoutRaw := REAL_TO_%s(%s);".formatted(LinkProgram.type(e), raw));
            });
  }

  /** Up to the next whole step: rounded down to nothing it would never time out. */
  private double timeoutRaw(PlacedValue entry) {
    double wanted = LinkProgram.timeout(entry, watch);
    double raw = (wanted - entry.offset()) / entry.scale();
    return entry.type() == ValueType.FLOAT_32 ? raw : Math.ceil(raw - 1e-9);
  }

  private void remember() {
    add("");
    say("What the next scan compares with.");
    add("RunBefore := Run;");
    add("ResetBefore := Reset;");
    add("RanBefore := Running;");
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
}
