package unimotus.core.way.analog.local;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.path.Carrier;
import unimotus.core.path.Chain;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.SetPoint;
import unimotus.core.sheet.SettingRole;
import unimotus.core.way.CommandLink;

/**
 * A reference as a frequency that is entered at the drive.
 *
 * @param mode in which mode of the axis it holds
 * @param entry percent to the frequency that is entered
 * @param drive the entry to output frequency
 */
record KeypadLink(Mode mode, KeypadEntry entry, KeypadDrive drive)
    implements CommandLink, SpeedLink {

  /** The keypad of an axis as its drive is set. */
  static KeypadLink of(AxisAssembly axis, Mode mode) {
    Reference reference = axis.axis().reference();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return new KeypadLink(
        mode,
        new KeypadEntry(reference.frequencyAtZeroHertz(), reference.frequencyAtFullHertz()),
        new KeypadDrive(
            new FrequencyLimits(
                settings.number(SettingRole.MINIMUM_FREQUENCY, 0),
                settings.number(SettingRole.MAXIMUM_FREQUENCY, reference.frequencyAtFullHertz()))));
  }

  @Override
  public List<Stage> stages() {
    return List.of(entry, drive);
  }

  @Override
  public String label() {
    return mode.isHand() ? "keypad, in Hand" : "keypad";
  }

  @Override
  public String label(Station station) {
    return switch (station) {
      case NUMBER -> "Wanted";
      case COUNTS -> "Keypad";
      default -> station.label();
    };
  }

  @Override
  public String where(Station station) {
    return switch (station) {
      case NUMBER -> "wanted by the operator";
      case PERCENT -> "share of the span";
      case COUNTS -> "entered at the drive";
      default -> station.where();
    };
  }

  @Override
  public String commander() {
    return "keypad";
  }

  @Override
  public boolean isProgrammed() {
    return false;
  }

  @Override
  public Carrier carrier(Station from) {
    return Carrier.WITHIN;
  }

  @Override
  public double maximumHertz() {
    return drive.limits().maximumHertz();
  }

  @Override
  public double frequencyAtFullHertz() {
    return entry.frequencyAtFullHertz();
  }

  @Override
  public KeypadLink standingAt(double hertz) {
    return limited(hertz, hertz);
  }

  @Override
  public KeypadLink limited(double minimumHertz, double maximumHertz) {
    return new KeypadLink(
        mode, entry, new KeypadDrive(new FrequencyLimits(minimumHertz, maximumHertz)));
  }

  @Override
  public FrequencyLimits limits() {
    return drive.limits();
  }

  @Override
  public Set<Part> parts() {
    return EnumSet.of(Part.PROGRAM, Part.DRIVE);
  }

  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    findings.addClamped(
        entry.frequencyAtZeroHertz(), entry.frequencyAtFullHertz(), drive.limits().maximumHertz());
    findings.addFloor(entry.frequencyAtZeroHertz(), drive.limits().minimumHertz());
    double span = entry.frequencyAtFullHertz() - entry.frequencyAtZeroHertz();
    findings.addResolution(100 * entry.step() / span, "A keypad enters no finer step; accept it.");
  }

  @Override
  public String readWord() {
    return "Entry";
  }

  @Override
  public List<SetPoint> setPoints(SignalPath path) {
    return mode.setPoints(path, "the keypad at the frequency of", "Entry");
  }

  @Override
  public List<Prediction> observations(AxisAssembly axis, Chain chain) {
    return mode.isHand() ? HandObservations.of(axis, chain, "keypad") : List.of();
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return number ->
        List.of(
            new LinkReading(
                Station.COUNTS,
                path.value(Station.COUNTS, number),
                entry.step(),
                "frequency entered",
                "keypad of the drive",
                "drive's display",
                EnumSet.of(Part.PROGRAM, Part.DRIVE)));
  }

  @Override
  public boolean isOfManualRequest() {
    return mode.isHand();
  }

  @Override
  public boolean holds(SeenInputs seen) {
    return mode.holds(seen);
  }

  /** Nothing lies between keypad and drive; in Hand the keypad may not be asked. */
  @Override
  public List<Cause> causes() {
    return mode.isHand() ? List.of(HandCause.values()) : List.of();
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return cause instanceof HandCause hand ? hand.variants(this, clues) : List.of();
  }
}
