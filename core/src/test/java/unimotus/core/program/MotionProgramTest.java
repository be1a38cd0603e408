package unimotus.core.program;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.stops.Stops;

/** The block of a positioning axis, run scan by scan on an axis that is played here. */
class MotionProgramTest {
  private static final ServoPlate PLATE =
      new ServoPlate(2.9, 3.22, 3000, 2.39, 0.9, 54.4, 8, 131_072, 0, 230, 0.00012);

  private final List<String> log = new ArrayList<>();
  private boolean permitted;
  private boolean fault;
  private boolean taken;
  private long now;

  @BeforeEach
  void fresh() {
    permitted = true;
    fault = false;
    taken = false;
    now = 0;
    log.clear();
  }

  private static ServoAxis axis(UnaryOperator<MotionDesign> change) {
    AxisScaling read = AxisScaling.direct(131_072, new BigDecimal("60"), MeasureUnit.MILLIMETRE);
    MotionDesign design =
        MotionDesign.begin(600, 3000)
            .with()
            .programScaling(read)
            .travel(TravelRange.between(-10, 650))
            .build();
    MotionDesign cut =
        design.withMoves(
            design
                .moves()
                .withSteps(
                    List.of(
                        new MoveStep.Absolute(300),
                        new MoveStep.Dwell(0.5),
                        new MoveStep.Incremental(-300)))
                .withTimes(2));
    Axis bare = Lines.bare("controller-modular", Stops.TERMINAL_DRIVE).axes().get(0);
    return new ServoAxis(
        bare.withMechanics(new Mechanics.Screw(1, 0.06)).withMotion(change.apply(cut)),
        change.apply(cut),
        PLATE);
  }

  /** Done 100 ms after the command, while it stands; an edge is logged. */
  private final class Move implements StructuredText.Played {
    private final String type;
    private boolean executes;
    private boolean done;
    private long since;

    Move(String type) {
      this.type = type;
    }

    @Override
    public void call(Map<String, Object> inputs, long at) {
      boolean next = (Boolean) inputs.get("Execute");
      if (next && !executes) {
        since = at;
        Object where = inputs.getOrDefault("Position", inputs.get("Distance"));
        log.add(where == null ? type : "%s %s".formatted(type, where));
        if (type.equals("reset")) {
          fault = false;
        }
      }
      executes = next;
      done = next && permitted && !fault && at - since >= 100;
    }

    @Override
    public boolean is(String output) {
      return switch (output) {
        case "Done" -> done;
        case "Error" -> false;
        case "CommandAborted" -> executes && taken;
        default -> throw new IllegalArgumentException(output);
      };
    }
  }

  private final class Power implements StructuredText.Played {
    private boolean enabled;

    @Override
    public void call(Map<String, Object> inputs, long at) {
      enabled = (Boolean) inputs.get("Enable");
    }

    @Override
    public boolean is(String output) {
      return output.equals("Status") ? enabled && permitted && !fault : fault;
    }
  }

  private StructuredText run(UnaryOperator<MotionDesign> change) {
    Map<String, Function<String, StructuredText.Played>> library =
        Map.of(
            "MC_Power", n -> new Power(),
            "MC_Reset", n -> new Move("reset"),
            "MC_Home", n -> new Move("home"),
            "MC_Stop", n -> new Move("stop"),
            "MC_MoveAbsolute", n -> new Move("to"),
            "MC_MoveRelative", n -> new Move("by"));
    return new StructuredText(MotionProgram.block(axis(change)).text(), library);
  }

  private void scans(StructuredText block, int count) {
    for (int i = 0; i < count; i++) {
      now += 10;
      block.scan(now);
    }
  }

  private void edge(StructuredText block, String input) {
    block.put(input, false);
    scans(block, 2);
    block.put(input, true);
    scans(block, 2);
  }

  private void ready(StructuredText block) {
    block.put("Enable", true);
    scans(block, 2);
    edge(block, "Home");
    scans(block, 15);
    assertThat(block.is("Homed")).isTrue();
    block.put("Home", false);
  }

  @Test
  void theMovesAreRunInOrderAsOftenAsEntered() {
    StructuredText block = run(d -> d);
    assertThat(block.name()).isEqualTo("Move_Belt");
    ready(block);
    log.clear();
    edge(block, "Start");
    assertThat(block.is("Busy")).isTrue();
    scans(block, 300);
    assertThat(log).containsExactly("to 300.0", "by -300.0", "to 300.0", "by -300.0");
    assertThat(block.is("Done")).isTrue();
    assertThat(block.is("Busy")).isFalse();
    // Start held on starts nothing again.
    scans(block, 300);
    assertThat(log).hasSize(4);
    // 2 · (100 ms + 500 ms + 100 ms) and a scan between the steps.
    edge(block, "Start");
    long begins = now;
    while (!block.is("Done")) {
      scans(block, 1);
    }
    assertThat(now - begins).isBetween(1400L, 1550L);
  }

  /** One step alone, run three times: the command goes away between them. */
  @Test
  void aSingleStepIsCommandedAnewEachTime() {
    StructuredText block =
        run(
            d ->
                d.withMoves(
                    d.moves().withSteps(List.of(new MoveStep.Incremental(20))).withTimes(3)));
    ready(block);
    log.clear();
    edge(block, "Start");
    scans(block, 100);
    assertThat(log).containsExactly("by 20.0", "by 20.0", "by 20.0");
  }

  /** Power-up with Start on, loss of the permission, a stop, a fault: a new edge each time. */
  @Test
  void nothingMovesWithoutANewCommand() {
    StructuredText block = run(d -> d);
    block.put("Start", true);
    ready(block);
    scans(block, 50);
    assertThat(log).doesNotContain("to 300.0");
    Runnable[] losses = {
      () -> permitted = false,
      () -> block.put("Stop", true),
      () -> fault = true,
      () -> taken = true,
      () -> block.put("Enable", false)
    };
    for (int i = 0; i < losses.length; i++) {
      edge(block, "Start");
      assertThat(block.is("Busy")).as("loss %d", i).isTrue();
      losses[i].run();
      scans(block, 2);
      assertThat(block.is("Busy")).as("loss %d", i).isFalse();
      log.clear();
      permitted = true;
      taken = false;
      block.put("Stop", false);
      block.put("Enable", true);
      if (fault) {
        edge(block, "Reset");
        assertThat(block.is("Homed")).as("a fault of the axis asks for home").isFalse();
        ready(block);
      }
      scans(block, 300);
      assertThat(log).as("loss %d", i).doesNotContain("to 300.0");
    }
  }

  @Test
  void whatWouldNotBeTrueIsRefused() {
    assertThatThrownBy(() -> run(d -> d.withMoves(d.moves().withSteps(List.of()))))
        .hasMessageContaining("no moves");
    assertThatThrownBy(
            () -> run(d -> d.withMoves(d.moves().withSteps(List.of(new MoveStep.Jog(5, 1))))))
        .hasMessageContaining("step 1 of Belt is a jog");
    assertThatThrownBy(() -> run(d -> d.withTravel(TravelRange.between(0, 100))))
        .hasMessageContaining("outside 0.0 to 100");
    assertThatThrownBy(() -> run(d -> d.withProgramScaling(d.programScaling().withCounts(1 << 23))))
        .hasMessageContaining("64 times");
    assertThat(MotionProgram.block(axis(MotionDesign::unread)).text())
        .contains("ATTENTION: the scaling of the motion axis was not read")
        .contains("1 mm has to be 2184.533333 counts")
        .contains("Axis : AXIS_REF;");
  }
}
