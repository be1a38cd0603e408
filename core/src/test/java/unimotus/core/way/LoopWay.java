package unimotus.core.way;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Carrier;
import unimotus.core.path.Commanded;
import unimotus.core.path.PathFindings;
import unimotus.core.path.ReferenceLink;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.quantity.MeasureUnit;

/**
 * Ways of command that nobody builds, on which the drive closes the loop itself: over its shaft,
 * which is told a position in increments, and over a process, which is told a pressure.
 */
public abstract sealed class LoopWay implements WayOfCommand {
  /** Increments of a turn of the motor. */
  static final int INCREMENTS = 1000;

  /** Pressure that is meant by 100 %, in bar. */
  static final double FULL_BAR = 10;

  private final String note;

  LoopWay(String note) {
    this.note = note;
  }

  /** Told a position: the number itself to increments, increments to turns. */
  public static final class Positioner extends LoopWay {
    /** The note of an axis that makes its way this one. */
    public static final String NOTE = "by increments";

    /** Found by the registry of ways. */
    public Positioner() {
      super(NOTE);
    }

    @Override
    public CommandLink link(AxisAssembly axis) {
      double turns = axis.axis().mechanics().gearRatio() / axis.axis().mechanics().travelPerTurn();
      return new Loop(
          Commanded.POSITION,
          List.of(
              new StraightStage(
                  Station.NUMBER, Station.COUNTS, MeasureUnit.COUNTS, turns * INCREMENTS, 1),
              turned(INCREMENTS)));
    }
  }

  /** Told a pressure: percent to thousandths, thousandths to bar. */
  public static final class PressureLoop extends LoopWay {
    /** The note of an axis that makes its way this one. */
    public static final String NOTE = "by pressure";

    /** Found by the registry of ways. */
    public PressureLoop() {
      super(NOTE);
    }

    @Override
    public CommandLink link(AxisAssembly axis) {
      return new Loop(
          Commanded.PROCESS_VALUE,
          List.of(
              new StraightStage(Station.PERCENT, Station.COUNTS, MeasureUnit.COUNTS, 10, 1),
              new StraightStage(
                  Station.COUNTS, Station.MACHINE, MeasureUnit.BAR, FULL_BAR / 1000, 0)));
    }
  }

  /** An axis commanded in one of these ways, without an answer over wires. */
  public static Axis looped(Axis axis, String note) {
    Answer answer = axis.answer();
    return DialWay.noted(axis, note)
        .withAnswer(new Answer(null, null, answer.speedAtFull(), answer.programFullScaleCounts()));
  }

  private static Stage turned(int increments) {
    return new StraightStage(
        Station.COUNTS, Station.SHAFT, MeasureUnit.REVOLUTION, 1.0 / increments, 0);
  }

  @Override
  public String name() {
    return note;
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return axis.axis().note().equals(note);
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return Optional.empty();
  }

  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    // A toy has none.
  }

  /** What can be wrong on them. */
  enum LoopCause implements Cause {
    OTHER_INCREMENTS;

    @Override
    public Account account() {
      return new Account("Other increments", 2, "Off by the ratio of two encoders.", "Set them.");
    }
  }

  private record Loop(Commanded commands, List<Stage> stages) implements CommandLink {
    @Override
    public String label() {
      return commands.word();
    }

    @Override
    public Carrier carrier(Station from) {
      return Carrier.WITHIN;
    }

    @Override
    public ReferenceLink still() {
      Stage last = stages.get(1);
      return new Loop(
          commands,
          List.of(stages.get(0), new StraightStage(last.from(), last.to(), last.unit(), 1e-12, 0)));
    }

    @Override
    public void check(AxisAssembly axis, PathFindings findings) {
      findings.addResolution(0.1, "Use more increments.");
    }

    @Override
    public String readWord() {
      return "Increments";
    }

    @Override
    public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
      return number ->
          List.of(
              new LinkReading(
                  Station.COUNTS,
                  path.value(Station.COUNTS, number),
                  0.5,
                  "increments",
                  "toy",
                  "eyes",
                  EnumSet.of(Part.PROGRAM)));
    }

    @Override
    public List<Cause> causes() {
      return List.of(LoopCause.values());
    }

    @Override
    public List<Variant> variants(Cause cause, Clues clues) {
      return cause == LoopCause.OTHER_INCREMENTS && commands == Commanded.POSITION
          ? List.of(
              Variant.of(
                  "2500 a turn",
                  clues.path().with(new Loop(commands, List.of(stages.get(0), turned(2500))))))
          : List.of();
    }
  }
}
