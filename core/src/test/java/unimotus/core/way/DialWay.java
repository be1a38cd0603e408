package unimotus.core.way;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.link.Draft;
import unimotus.core.link.LinkChoice;
import unimotus.core.link.LinkGroup;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Carrier;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.quantity.MeasureUnit;

/** A way of command that nobody builds: a dial of ten clicks, so many hertz a click. */
public final class DialWay implements WayOfCommand {
  /** The note of an axis that makes its way this one. */
  public static final String NOTE = "by the dial";

  private static final int CLICKS = 10;
  private static final double TOP_HERTZ = 50;

  /** An axis told to be commanded by the dial, its analog terminals given up. */
  public static Axis dialled(Axis axis) {
    return noted(axis, NOTE);
  }

  /** An axis with a note, its analog terminals given up. */
  static Axis noted(Axis axis, String note) {
    return axis.withNote(note).withReference(axis.reference().withTerminals(null, null));
  }

  @Override
  public String name() {
    return "by a dial";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return axis.axis().note().equals(NOTE);
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return Optional.empty();
  }

  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    // A dial has none.
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(DialIntent.DIAL);
  }

  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    return isChosen(axis) ? Map.of(Part.PROGRAM, "dial of " + CLICKS) : Map.of();
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    return new Dial(TOP_HERTZ / CLICKS, new FrequencyLimits(0, TOP_HERTZ));
  }

  /** Nothing is wired; the analog terminals are given up. */
  enum DialIntent implements LinkIntent {
    DIAL;

    @Override
    public Account account() {
      return new Account(LinkGroup.REFERENCE, "Dial", "ten clicks");
    }

    @Override
    public void wire(Draft draft, LinkChoice choice) {
      draft.put(dialled(draft.axis().axis()));
      draft.note("the speed is dialled");
    }
  }

  /** What can be wrong with a dial. */
  enum DialCause implements Cause {
    OTHER_DIAL;

    @Override
    public Account account() {
      return new Account("Another dial", 2, "Off by the ratio of two dials.", "Exchange it.");
    }
  }

  private record Dial(double hertzAClick, FrequencyLimits limits)
      implements CommandLink, SpeedLink {
    @Override
    public List<Stage> stages() {
      return List.of(
          new StraightStage(Station.PERCENT, Station.COUNTS, MeasureUnit.ONE, CLICKS / 100.0, 1),
          new StraightStage(
              Station.COUNTS, Station.FREQUENCY, MeasureUnit.HERTZ_UNIT, hertzAClick, 0));
    }

    @Override
    public String label() {
      return "dial";
    }

    @Override
    public Carrier carrier(Station from) {
      return Carrier.WITHIN;
    }

    @Override
    public double maximumHertz() {
      return limits.maximumHertz();
    }

    @Override
    public double frequencyAtFullHertz() {
      return TOP_HERTZ;
    }

    @Override
    public SpeedLink standingAt(double hertz) {
      return limited(hertz, hertz);
    }

    @Override
    public SpeedLink limited(double minimumHertz, double maximumHertz) {
      return new Dial(hertzAClick, new FrequencyLimits(minimumHertz, maximumHertz));
    }

    @Override
    public void check(AxisAssembly axis, PathFindings findings) {
      findings.addResolution(100.0 / CLICKS, "Use a dial with more clicks.");
    }

    @Override
    public String readWord() {
      return "Click";
    }

    @Override
    public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
      return number ->
          List.of(
              new LinkReading(
                  Station.COUNTS,
                  path.value(Station.COUNTS, number),
                  0.5,
                  "click of the dial",
                  "dial",
                  "eyes",
                  EnumSet.of(Part.PROGRAM)));
    }

    @Override
    public List<Cause> causes() {
      return List.of(DialCause.values());
    }

    @Override
    public List<Variant> variants(Cause cause, Clues clues) {
      return cause == DialCause.OTHER_DIAL
          ? List.of(
              Variant.of(
                  "six hertz a click", clues.path().with(new Dial(6, new FrequencyLimits(0, 60)))))
          : List.of();
    }
  }
}
