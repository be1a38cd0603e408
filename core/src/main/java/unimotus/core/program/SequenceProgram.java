package unimotus.core.program;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sequence.HandCommand;
import unimotus.core.sequence.Sequence;
import unimotus.core.sequence.SequenceStep;
import unimotus.core.sequence.SequenceText;
import unimotus.core.sequence.Until;

/**
 * Writes the function block of a sequence in structured text (IEC 61131-3, from memory). One step
 * is left in a scan, and nothing is commanded after it for a scan and until the axis stands; only a
 * rising edge of Start begins it, at power-up and after any loss.
 */
public final class SequenceProgram {
  private final Sequence sequence;
  private final MeasureUnit unit;
  private final Map<String, String> inputs = new LinkedHashMap<>();
  private final Map<String, String> outputs = new LinkedHashMap<>();
  private final Map<String, String> values = new LinkedHashMap<>();
  private final List<String> body = new ArrayList<>();

  private SequenceProgram(Sequence sequence, MeasureUnit unit) {
    this.sequence = sequence;
    this.unit = unit;
    Set<String> taken = new HashSet<>();
    sequence.inputs().forEach(i -> inputs.put(i, name("see", i, taken)));
    sequence.outputs().forEach(o -> outputs.put(o, name("out", o, taken)));
    sequence.values().keySet().forEach(v -> values.put(v, name("val", v, taken)));
  }

  /** Names of structured text take no account of capitals. */
  private static String name(String prefix, String words, Set<String> taken) {
    String plain = "%s_%s".formatted(prefix, Variable.named(words));
    String free = plain;
    for (int i = 2; !taken.add(free.toLowerCase(Locale.ROOT)); i++) {
      free = "%s_%d".formatted(plain, i);
    }
    return free;
  }

  /**
   * The block of a sequence.
   *
   * @param unit what its distances are counted in
   */
  public static FunctionBlock block(Sequence sequence, MeasureUnit unit) {
    SequenceProgram program = new SequenceProgram(sequence, unit);
    program.write();
    return new FunctionBlock(
        Variable.named("Sequence " + sequence.name()),
        program.remarks(),
        program.declaredInputs(),
        program.declaredOutputs(),
        program.locals(),
        program.body);
  }

  /** The variable that carries an input, by the input's name. */
  public static Map<String, String> inputNames(Sequence sequence, MeasureUnit unit) {
    return new SequenceProgram(sequence, unit).inputs;
  }

  /** The variable that carries an output, by the output's name. */
  public static Map<String, String> outputNames(Sequence sequence, MeasureUnit unit) {
    return new SequenceProgram(sequence, unit).outputs;
  }

  private List<String> remarks() {
    List<String> remarks = new ArrayList<>();
    remarks.add("Sequence %s; distances in %s".formatted(sequence.name(), symbol()));
    for (int i = 0; i < sequence.steps().size(); i++) {
      remarks.add("%d: %s".formatted(i + 1, SequenceText.words(sequence.steps().get(i), unit)));
    }
    sequence
        .kept()
        .forEach(
            v -> remarks.add("%s has to stand in a retained register.".formatted(values.get(v))));
    remarks.add(
        "It needs a new rising edge of Start at power-up and after any loss of Auto, Permit or the axis.");
    remarks.add("Permit is no stop circuit: emergency stop and guards act by themselves.");
    remarks.add("The risk assessment and local codes decide.");
    return remarks;
  }

  private String symbol() {
    return unit.symbol().isEmpty() ? "units" : unit.symbol();
  }

  private List<Variable> declaredInputs() {
    List<Variable> all = new ArrayList<>();
    all.add(new Variable("Auto", "BOOL", "automatic mode; FALSE ends the sequence"));
    all.add(new Variable("Permit", "BOOL", "everything holds that has to; FALSE ends it"));
    all.add(new Variable("Start", "BOOL", "a rising edge begins it at the first step"));
    all.add(new Variable("MoveDone", "BOOL", "the axis has done its move"));
    all.add(new Variable("Standing", "BOOL", "the axis is at rest"));
    all.add(new Variable("MoveError", "BOOL", "the axis reports an error; ends it"));
    values.forEach(
        (words, name) ->
            all.add(
                new Variable(
                    name,
                    "REAL",
                    Literals.real(sequence.values().getOrDefault(words, 0.0)),
                    "%s in %s".formatted(words, symbol()))));
    inputs.forEach((words, name) -> all.add(new Variable(name, "BOOL", words)));
    return all;
  }

  private List<Variable> declaredOutputs() {
    List<Variable> all = new ArrayList<>();
    outputs.forEach((words, name) -> all.add(new Variable(name, "BOOL", words)));
    all.add(new Variable("MoveExecute", "BOOL", "run the move while TRUE"));
    all.add(new Variable("MoveAmount", "REAL", "distance or position in " + symbol()));
    all.add(new Variable("MoveAbsolute", "BOOL", "it is a position"));
    all.add(new Variable("JogForward", "BOOL", "run forward while TRUE"));
    all.add(new Variable("JogBackward", "BOOL", "run backward while TRUE"));
    all.add(new Variable("SetZero", "BOOL", "the axis counts from where it stands"));
    all.add(new Variable("Step", "INT", "which one is run; 0 for none"));
    all.add(new Variable("Done", "BOOL", "it was run to its end"));
    all.add(new Variable("Late", "BOOL", "a step took longer than it may"));
    all.add(new Variable("LateStep", "INT", "which"));
    return all;
  }

  private List<Variable> locals() {
    List<Variable> all = new ArrayList<>();
    for (int i = 0; i < sequence.steps().size(); i++) {
      SequenceStep step = sequence.steps().get(i);
      boolean timed =
          step instanceof SequenceStep.Wait || step.ends().filter(Until::isLimited).isPresent();
      if (timed) {
        all.add(new Variable(timer(i), "TON", "time of step %d".formatted(i + 1)));
      }
    }
    all.add(new Variable("round", "INT", "which time"));
    all.add(
        new Variable(
            "gap", "BOOL", "no command between two steps: one scan, and until the axis stands"));
    all.add(new Variable("arrived", "BOOL", "a jog has seen what it runs to"));
    all.add(new Variable("allowed", "BOOL", "nothing ends it"));
    for (int i = 0; i < sequence.byHand().size(); i++) {
      all.add(new Variable(released(i), "BOOL", "seen released in hand mode"));
    }
    if (!sequence.byHand().isEmpty()) {
      all.add(new Variable("hand", "BOOL", "buttons may act"));
    }
    all.add(new Variable("startWas", "BOOL", "TRUE", "held through power-up it is no rising edge"));
    return all;
  }

  private static String released(int at) {
    return "released%d".formatted(at + 1);
  }

  private static String timer(int at) {
    return "timer%d".formatted(at + 1);
  }

  private void write() {
    body.add("allowed := Auto AND Permit AND NOT MoveError;");
    body.add("SetZero := FALSE;");
    body.add("IF NOT allowed THEN");
    body.add("  Step := 0;");
    body.add("  gap := FALSE;");
    body.add("  arrived := FALSE;");
    body.add("END_IF;");
    body.add("IF Start AND NOT startWas AND allowed AND Step = 0 THEN");
    body.add("  Step := 1;");
    body.add("  round := 1;");
    body.add("  gap := TRUE;");
    body.add("  arrived := FALSE;");
    body.add("  Done := FALSE;");
    body.add("  Late := FALSE;");
    body.add("  LateStep := 0;");
    body.add("END_IF;");
    body.add("startWas := Start;");
    timers();
    holds();
    body.add("IF Step = 0 THEN");
    off("  ");
    body.add("ELSIF gap THEN");
    body.add("  gap := NOT Standing;");
    for (int i = 0; i < sequence.steps().size(); i++) {
      leave(i, sequence.steps().get(i));
    }
    body.add("END_IF;");
    byHand();
    commands();
  }

  /** A button that is held while something comes back does nothing until it is let go. */
  private void byHand() {
    if (sequence.byHand().isEmpty()) {
      return;
    }
    body.add("hand := NOT Auto AND Permit AND NOT MoveError;");
    for (int i = 0; i < sequence.byHand().size(); i++) {
      HandCommand button = sequence.byHand().get(i);
      String input = inputs.get(button.input());
      body.add("%1$s := hand AND (%1$s OR NOT %2$s);".formatted(released(i), input));
      if (!button.jogs()) {
        body.add("IF %s THEN".formatted(acts(i)));
        body.add("  %s := TRUE;".formatted(outputs.get(button.output())));
        body.add("END_IF;");
      }
    }
  }

  private String acts(int at) {
    return "%s AND %s".formatted(released(at), inputs.get(sequence.byHand().get(at).input()));
  }

  private String handJog(boolean backward) {
    List<String> buttons = new ArrayList<>();
    for (int i = 0; i < sequence.byHand().size(); i++) {
      HandCommand button = sequence.byHand().get(i);
      if (button.jogs() && button.backward() == backward) {
        buttons.add(acts(i));
      }
    }
    return String.join(" OR ", buttons);
  }

  private void off(String indent) {
    if (outputs.isEmpty()) {
      body.add(indent + "gap := FALSE;");
    }
    outputs.values().forEach(name -> body.add("%s%s := FALSE;".formatted(indent, name)));
  }

  /** They begin in the first scan that commands their step. */
  private void timers() {
    for (int i = 0; i < sequence.steps().size(); i++) {
      SequenceStep step = sequence.steps().get(i);
      double seconds =
          step instanceof SequenceStep.Wait wait
              ? wait.seconds()
              : step.ends().map(Until::withinSeconds).orElse(0.0);
      if (seconds > 0) {
        body.add(
            "%s(IN := Step = %d AND NOT gap, PT := %s);"
                .formatted(timer(i), i + 1, Literals.time(seconds)));
      }
    }
  }

  private void holds() {
    for (int i = 0; i < sequence.steps().size(); i++) {
      if (sequence.steps().get(i) instanceof SequenceStep.Switch s && s.until() != null) {
        body.add("IF Step = %d THEN".formatted(i + 1));
        body.add("  %s := %s;".formatted(outputs.get(s.output()), truth(s.on())));
        body.add("END_IF;");
      }
    }
  }

  private void leave(int at, SequenceStep step) {
    if (step instanceof SequenceStep.Jog) {
      body.add("ELSIF Step = %d AND arrived AND NOT Standing THEN".formatted(at + 1));
      body.add("  arrived := TRUE;");
      body.add("ELSIF Step = %d AND NOT arrived AND %s THEN".formatted(at + 1, over(at, step)));
      body.add("  arrived := TRUE;");
      body.add("ELSIF Step = %d AND arrived THEN".formatted(at + 1));
      body.add("  SetZero := TRUE;");
      body.add("  arrived := FALSE;");
    } else {
      body.add("ELSIF Step = %d AND %s THEN".formatted(at + 1, over(at, step)));
    }
    if (step instanceof SequenceStep.Switch s) {
      body.add(
          "  %s := %s;".formatted(outputs.get(s.output()), truth((s.until() == null) == s.on())));
    }
    next(at, step);
    if (step.ends().filter(Until::isLimited).isPresent()) {
      body.add("ELSIF Step = %d AND %s.Q THEN".formatted(at + 1, timer(at)));
      body.add("  Late := TRUE;");
      body.add("  LateStep := %d;".formatted(at + 1));
      body.add("  Step := 0;");
      outputs.values().forEach(name -> body.add("  %s := FALSE;".formatted(name)));
    }
  }

  private String over(int at, SequenceStep step) {
    if (step instanceof SequenceStep.Move) {
      return "MoveDone";
    }
    if (step instanceof SequenceStep.Wait) {
      return timer(at) + ".Q";
    }
    return step.ends().map(u -> (u.holds() ? "" : "NOT ") + inputs.get(u.input())).orElse("TRUE");
  }

  private void next(int at, SequenceStep step) {
    if (step instanceof SequenceStep.Repeat repeat && repeat.times() == 0) {
      again("  ");
    } else if (step instanceof SequenceStep.Repeat repeat) {
      body.add("  IF round < %d THEN".formatted(repeat.times()));
      body.add("    round := round + 1;");
      again("    ");
      body.add("  ELSE");
      go(at, "    ");
      body.add("  END_IF;");
    } else {
      go(at, "  ");
    }
  }

  private void again(String indent) {
    body.add(indent + "Step := 1;");
    body.add(indent + "gap := TRUE;");
  }

  private void go(int at, String indent) {
    if (at + 1 < sequence.steps().size()) {
      body.add("%sStep := %d;".formatted(indent, at + 2));
      body.add(indent + "gap := TRUE;");
    } else {
      body.add(indent + "Step := 0;");
      body.add(indent + "Done := TRUE;");
      outputs.values().forEach(name -> body.add("%s%s := FALSE;".formatted(indent, name)));
    }
  }

  private void commands() {
    List<String> moves = new ArrayList<>();
    List<String> forward = new ArrayList<>();
    List<String> backward = new ArrayList<>();
    body.add("MoveAmount := 0.0;");
    body.add("MoveAbsolute := FALSE;");
    for (int i = 0; i < sequence.steps().size(); i++) {
      SequenceStep step = sequence.steps().get(i);
      String here = "Step = %d".formatted(i + 1);
      if (step instanceof SequenceStep.Move move) {
        moves.add(here);
        String named = move.value() == null ? null : values.get(move.value());
        body.add("IF %s THEN".formatted(here));
        body.add("  MoveAmount := %s;".formatted(named == null ? signed(move.amount()) : named));
        body.add("  MoveAbsolute := %s;".formatted(truth(move.absolute())));
        body.add("END_IF;");
      } else if (step instanceof SequenceStep.Jog jog) {
        (jog.backward() ? backward : forward).add(here);
      }
    }
    body.add("MoveExecute := %s;".formatted(any(moves)));
    jog("JogForward", jogs(forward), handJog(false), handJog(true));
    jog("JogBackward", jogs(backward), handJog(true), handJog(false));
  }

  /** Both buttons at once are neither. */
  private void jog(String output, String steps, String button, String other) {
    String alone = other.isEmpty() ? button : "(%s) AND NOT (%s)".formatted(button, other);
    body.add("%s := %s;".formatted(output, button.isEmpty() ? steps : steps + " OR " + alone));
  }

  private static String jogs(List<String> steps) {
    return steps.isEmpty() ? "FALSE" : "NOT arrived AND " + any(steps);
  }

  private static String any(List<String> steps) {
    return steps.isEmpty() ? "FALSE" : "NOT gap AND (%s)".formatted(String.join(" OR ", steps));
  }

  private static String signed(double value) {
    return value < 0 ? "0.0 - " + Literals.real(-value) : Literals.real(value);
  }

  private static String truth(boolean value) {
    return value ? "TRUE" : "FALSE";
  }
}
