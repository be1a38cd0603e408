package unimotus.core.program;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sequence.HandCommand;
import unimotus.core.sequence.Sequence;
import unimotus.core.sequence.SequenceMachine;
import unimotus.core.sequence.SequenceStep;
import unimotus.core.sequence.Until;

/**
 * The written block, read by the grammar of {@link StructuredText} and run scan by scan, against
 * the machine that plays the steps: two codes that share nothing, tick by tick.
 */
class SequenceProgramTest {
  private static final int CASES = Campaign.size(10_000, 1000);
  private static final int SCANS = 400;
  private static final String[] INPUTS = {"home", "press is up", "Press_is up", "1 door"};
  private static final String[] OUTPUTS = {"valve", "Valve!", "tie off"};

  private static Until until(Random random) {
    return new Until(
        INPUTS[random.nextInt(INPUTS.length)],
        random.nextInt(4) > 0,
        random.nextBoolean() ? 0 : (1 + random.nextInt(40)) / 100.0);
  }

  private static SequenceStep step(Random random, boolean last) {
    return switch (random.nextInt(last ? 7 : 6)) {
      case 0 -> new SequenceStep.Jog(random.nextBoolean(), until(random));
      case 1 ->
          new SequenceStep.Move(
              random.nextInt(4000) / 8.0 - 250,
              random.nextBoolean(),
              random.nextInt(3) == 0 ? "feed" : null);
      case 2 -> new SequenceStep.Wait((1 + random.nextInt(30)) / 100.0);
      case 3 -> new SequenceStep.WaitFor(until(random));
      case 4 ->
          new SequenceStep.Switch(
              OUTPUTS[random.nextInt(OUTPUTS.length)], random.nextInt(3) > 0, null);
      case 5 ->
          new SequenceStep.Switch(
              OUTPUTS[random.nextInt(OUTPUTS.length)], random.nextInt(3) > 0, until(random));
      default -> new SequenceStep.Repeat(random.nextInt(4));
    };
  }

  private static Sequence sequence(Random random) {
    int size = 1 + random.nextInt(7);
    List<SequenceStep> steps = new ArrayList<>();
    for (int i = 0; i < size; i++) {
      steps.add(step(random, i == size - 1));
    }
    return new Sequence("any", steps, Map.of("feed", 12.5), Set.of("feed"), buttons(random));
  }

  private static List<HandCommand> buttons(Random random) {
    List<HandCommand> buttons = new ArrayList<>();
    for (int i = random.nextInt(5); i > 0; i--) {
      String output = random.nextBoolean() ? OUTPUTS[random.nextInt(OUTPUTS.length)] : null;
      buttons.add(
          new HandCommand(INPUTS[random.nextInt(INPUTS.length)], output, random.nextBoolean()));
    }
    return buttons;
  }

  @Test
  void theTextDoesWhatTheStepsSay() {
    Random random = new Random(77);
    List<String> wrong = new ArrayList<>();
    int done = 0;
    int late = 0;
    for (int i = 0; i < CASES; i++) {
      Sequence sequence = sequence(random);
      StructuredText text =
          new StructuredText(SequenceProgram.block(sequence, MeasureUnit.MILLIMETRE).text());
      SequenceMachine machine = new SequenceMachine(sequence);
      String difference = compare(sequence, text, machine, random);
      if (!difference.isEmpty()) {
        wrong.add(i + ": " + difference + " " + sequence.steps());
      }
      done += text.is("Done") ? 1 : 0;
      late += text.is("Late") ? 1 : 0;
    }
    assertThat(wrong).isEmpty();
    assertThat(done).as("some come to their end").isGreaterThan(CASES / 20);
    assertThat(late).as("some take too long").isGreaterThan(CASES / 50);
  }

  private static String compare(
      Sequence sequence, StructuredText text, SequenceMachine machine, Random random) {
    Map<String, String> in = SequenceProgram.inputNames(sequence, MeasureUnit.MILLIMETRE);
    Map<String, String> out = SequenceProgram.outputNames(sequence, MeasureUnit.MILLIMETRE);
    Map<String, Boolean> inputs = new HashMap<>();
    boolean auto = true;
    boolean permit = true;
    for (int scan = 0; scan < SCANS; scan++) {
      auto = auto ? random.nextInt(150) > 0 : random.nextInt(30) == 0;
      permit = permit ? random.nextInt(150) > 0 : random.nextInt(4) == 0;
      boolean start = random.nextInt(10) == 0;
      boolean moved = random.nextInt(6) == 0;
      boolean standing = random.nextInt(3) > 0;
      boolean error = random.nextInt(200) == 0;
      for (String each : sequence.inputs()) {
        if (random.nextInt(8) == 0) {
          inputs.put(each, random.nextBoolean());
        }
      }
      text.put("Auto", auto);
      text.put("Permit", permit);
      text.put("Start", start);
      text.put("MoveDone", moved);
      text.put("Standing", standing);
      text.put("MoveError", error);
      for (String each : sequence.inputs()) {
        text.put(in.get(each), inputs.getOrDefault(each, false));
      }
      text.scan(scan * 10L);
      SequenceMachine.Commanded told =
          machine.scan(
              new SequenceMachine.Seen(auto, permit, start, moved, standing, error, inputs),
              scan * 10L);
      String difference = difference(text, told, out);
      if (!difference.isEmpty()) {
        return "scan %d: %s".formatted(scan, difference);
      }
    }
    return "";
  }

  private static String difference(
      StructuredText text, SequenceMachine.Commanded told, Map<String, String> out) {
    Map<String, Boolean> differ = new LinkedHashMap<>();
    differ.put("step", text.whole("Step") != told.step());
    differ.put("execute", text.is("MoveExecute") != told.execute());
    differ.put("amount", Math.abs(text.real("MoveAmount") - told.amount()) > 1e-9);
    differ.put("absolute", text.is("MoveAbsolute") != told.absolute());
    differ.put("forward", text.is("JogForward") != told.forward());
    differ.put("backward", text.is("JogBackward") != told.backward());
    differ.put("zero", text.is("SetZero") != told.zero());
    differ.put("done", text.is("Done") != told.done());
    differ.put("late", text.is("Late") != told.late());
    differ.put("late step", text.whole("LateStep") != told.lateStep());
    told.outputs().forEach((name, on) -> differ.put(name, text.is(out.get(name)) != on));
    differ.values().removeIf(d -> !d);
    return String.join(", ", differ.keySet());
  }

  /** Whatever takes it away, it stands at once, and a start that is held begins nothing. */
  @Test
  void aLossNeedsANewEdge() {
    Sequence sequence =
        new Sequence(
            "feed",
            List.of(
                new SequenceStep.Switch("valve", true, null),
                new SequenceStep.Move(5, false, null)),
            Map.of(),
            Set.of());
    for (String taken : List.of("Auto", "Permit", "MoveError")) {
      StructuredText text =
          new StructuredText(SequenceProgram.block(sequence, MeasureUnit.REVOLUTION).text());
      text.put("Auto", true);
      text.put("Permit", true);
      text.put("Standing", true);
      text.put("Start", true);
      text.scan(0);
      assertThat(text.whole("Step")).as("held through power-up").isZero();
      text.put("Start", false);
      text.scan(10);
      text.put("Start", true);
      for (int i = 2; i < 6; i++) {
        text.scan(10L * i);
      }
      assertThat(text.is("MoveExecute")).isTrue();
      assertThat(text.is("out_valve")).isTrue();
      assertThat(text.real("MoveAmount")).isCloseTo(5, within(1e-9));
      text.put(taken, taken.equals("MoveError"));
      text.scan(60);
      assertThat(text.is("MoveExecute")).as(taken).isFalse();
      assertThat(text.is("out_valve")).as(taken).isFalse();
      text.put(taken, !taken.equals("MoveError"));
      for (int i = 7; i < 20; i++) {
        text.scan(10L * i);
      }
      assertThat(text.whole("Step")).as("start is still held").isZero();
    }
  }

  /** Nothing is told to an axis that still comes to rest. */
  @Test
  void aStepWaitsUntilTheAxisStands() {
    Sequence sequence =
        new Sequence("feed", List.of(new SequenceStep.Move(5, false, null)), Map.of(), Set.of());
    StructuredText text =
        new StructuredText(SequenceProgram.block(sequence, MeasureUnit.REVOLUTION).text());
    text.put("Auto", true);
    text.put("Permit", true);
    text.scan(0);
    text.put("Start", true);
    for (int i = 1; i < 10; i++) {
      text.scan(10L * i);
      assertThat(text.is("MoveExecute")).isFalse();
    }
    text.put("Standing", true);
    text.scan(100);
    assertThat(text.is("MoveExecute")).isTrue();
  }
}
