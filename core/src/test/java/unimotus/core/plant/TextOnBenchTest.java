package unimotus.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.Lines;
import unimotus.core.machine.Project;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.TerminalRef;
import unimotus.core.program.SequenceProgram;
import unimotus.core.program.StructuredText;
import unimotus.core.sequence.SequenceMachine;
import unimotus.core.wiring.WiringFault;

/**
 * The written block runs beside the bench: it sees what the controller's inputs see through the
 * wires, scan by scan, while buttons are pressed, permission comes and goes and wires break, and
 * commands the same.
 */
class TextOnBenchTest {
  private static final int CASES = Campaign.size(1000, 60);
  private static final String[] STEPS = {
    "jog back until home within 4 s",
    "jog until not home within 2 s",
    "5 mm",
    "-3 mm",
    "move to 12 mm",
    "move to feed",
    "feed",
    "valve on",
    "valve off",
    "valve on until tied within 2 s",
    "wait for not tied within 1 s",
    "wait for tied within 1 s",
    "wait 0.15 s"
  };

  private static String words(Random random) {
    List<String> steps = new ArrayList<>(List.of("keep feed = 7.5 mm"));
    for (int i = 1 + random.nextInt(6); i > 0; i--) {
      steps.add(STEPS[random.nextInt(STEPS.length)]);
    }
    if (random.nextBoolean()) {
      steps.add(random.nextBoolean() ? "repeat" : "repeat 3 times");
    }
    if (random.nextBoolean()) {
      steps.add("hand jog while tied; hand valve while home");
    }
    return String.join("; ", steps);
  }

  private static PlantSchedule schedule(Random random, Project project) {
    List<PlantSchedule.Event> events = new ArrayList<>(PlantSchedule.press(0.1));
    for (int i = random.nextInt(6); i > 0; i--) {
      double at = Math.rint(random.nextDouble() * 1500) / 100;
      PlantEvent what =
          switch (random.nextInt(6)) {
            case 0 -> new PlantEvent.Permit(random.nextBoolean());
            case 1 -> new PlantEvent.Mode(random.nextBoolean());
            case 2 -> new PlantEvent.Set("tied", random.nextBoolean() ? "operated" : "free");
            case 3 -> new PlantEvent.Repaired();
            case 4 ->
                new PlantEvent.Broken(
                    new WiringFault.OpenWire(
                        project.wires().get(random.nextInt(project.wires().size())).id()));
            default -> new PlantEvent.Start(random.nextBoolean());
          };
      events.add(new PlantSchedule.Event(at, what));
      events.addAll(PlantSchedule.press(at + random.nextDouble()));
    }
    return new PlantSchedule(events, 2 + random.nextInt(20), 15);
  }

  /** The block beside the machine of the bench. */
  private static final class Beside implements SequencePlay.Watch {
    private final StructuredText text;
    private final Map<String, String> in;
    private final Map<String, String> out;
    private String difference = "";
    private int scans;

    Beside(Plant plant) {
      this.text = new StructuredText(SequenceProgram.block(plant.sequence(), plant.unit()).text());
      this.in = SequenceProgram.inputNames(plant.sequence(), plant.unit());
      this.out = SequenceProgram.outputNames(plant.sequence(), plant.unit());
    }

    @Override
    public void scan(SequenceMachine.Seen seen, long at, SequenceMachine.Commanded told) {
      scans++;
      text.put("Auto", seen.auto());
      text.put("Permit", seen.permit());
      text.put("Start", seen.start());
      text.put("MoveDone", seen.moveDone());
      text.put("Standing", seen.standing());
      text.put("MoveError", seen.moveError());
      in.forEach((name, variable) -> text.put(variable, seen.inputs().getOrDefault(name, false)));
      text.scan(at);
      boolean same =
          text.whole("Step") == told.step()
              && text.is("MoveExecute") == told.execute()
              && Math.abs(text.real("MoveAmount") - told.amount()) < 1e-9
              && text.is("JogForward") == told.forward()
              && text.is("JogBackward") == told.backward()
              && text.is("SetZero") == told.zero()
              && text.is("Done") == told.done()
              && text.whole("LateStep") == told.lateStep()
              && told.outputs().entrySet().stream()
                  .allMatch(e -> text.is(out.get(e.getKey())) == e.getValue());
      if (!same && difference.isEmpty()) {
        difference = "at %d ms: %s".formatted(at, told);
      }
    }
  }

  @Test
  void theBlockCommandsWhatTheBenchDoes() {
    Random random = new Random(53);
    Project project = FixturePlants.project();
    List<String> differ = new ArrayList<>();
    Map<SequencePlayed.End, Integer> ends = new LinkedHashMap<>();
    long scans = 0;
    for (int i = 0; i < CASES; i++) {
      SequenceDesign design = FixturePlants.sequence(words(random));
      Map<String, TerminalRef> signals = new LinkedHashMap<>(design.signals());
      signals.put("home", Lines.ref("plc:DI0"));
      Plant plant = FixturePlants.plant(project, design.withSignals(signals));
      Beside beside = new Beside(plant);
      SequencePlayed played =
          SequencePlay.run(plant, schedule(random, project), () -> false, beside);
      ends.merge(played.end(), 1, Integer::sum);
      scans += beside.scans;
      if (!beside.difference.isEmpty()) {
        differ.add("%d: %s %s".formatted(i, design.words(), beside.difference));
      }
    }
    System.out.printf("block beside the bench: %d runs, %d scans, %s%n", CASES, scans, ends);
    assertThat(differ).isEmpty();
    assertThat(ends.getOrDefault(SequencePlayed.End.DONE, 0)).isGreaterThan(CASES / 20);
    assertThat(ends.getOrDefault(SequencePlayed.End.LATE, 0)).isGreaterThan(CASES / 20);
    assertThat(ends.getOrDefault(SequencePlayed.End.LOST, 0)).isPositive();
  }
}
