package unimotus.core.way.preset;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Carrier;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.proof.Part;
import unimotus.core.proof.SetPoint;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.PresetInputs;
import unimotus.core.way.CommandLink;

/**
 * A reference as a combination of preset inputs.
 *
 * @param program percent to the combination
 * @param drive the combination to output frequency
 * @param table what the drive makes of its inputs
 * @param fullHertz frequency meant by 100 %
 */
record PresetLink(ProgramPreset program, DrivePreset drive, PresetTable table, double fullHertz)
    implements CommandLink, SpeedLink {

  @Override
  public List<Stage> stages() {
    return List.of(program, drive);
  }

  @Override
  public String label() {
    return "preset inputs";
  }

  @Override
  public String label(Station station) {
    return station == Station.COUNTS ? "Combination" : station.label();
  }

  @Override
  public Carrier carrier(Station from) {
    return from == Station.COUNTS ? Carrier.CONTACTS : Carrier.WITHIN;
  }

  @Override
  public double maximumHertz() {
    return drive.limits().maximumHertz();
  }

  @Override
  public double frequencyAtFullHertz() {
    return fullHertz;
  }

  @Override
  public boolean isProportional() {
    return false;
  }

  @Override
  public FrequencyLimits limits() {
    return drive.limits();
  }

  @Override
  public SpeedLink standingAt(double hertz) {
    Map<Integer, Double> same = new TreeMap<>(drive.hertz());
    same.replaceAll((number, value) -> hertz);
    return with(drive.with(same).with(new FrequencyLimits(0, Math.max(hertz, maximumHertz()))));
  }

  @Override
  public SpeedLink limited(double minimumHertz, double maximumHertz) {
    return with(drive.with(new FrequencyLimits(minimumHertz, maximumHertz)));
  }

  /** This link with another drive. */
  PresetLink with(DrivePreset next) {
    return new PresetLink(program, next, table, fullHertz);
  }

  /** All that can be said of presets is said whether or not there is a link. */
  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    // Nothing beyond what the way itself checks.
  }

  @Override
  public String readWord() {
    return "Combination";
  }

  /** Every combination that a speed of its own leads to. */
  @Override
  public List<SetPoint> setPoints(SignalPath path) {
    return program.choices().stream()
        .filter(c -> program.chosen(c.percent()).equals(c))
        .map(
            c ->
                new SetPoint(
                    "preset" + c.number(),
                    "Preset %d%s"
                        .formatted(c.number(), c.name().isEmpty() ? "" : " (" + c.name() + ")"),
                    path.scale().inverse(c.percent()),
                    "Command run with %s. Display with the motor isolated, then the speeds."
                        .formatted(c.text())))
        .toList();
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return new PresetReadings(path);
  }

  /** An override is in force while an input is closed; as the source, always. */
  @Override
  public boolean holds(SeenInputs seen) {
    return table.rule().priority() == PresetInputs.Priority.AS_SOURCE || combination(seen) > 0;
  }

  @Override
  public double wantedHertz(SignalPath path, SeenInputs seen) {
    return drive.forward(combination(seen));
  }

  private int combination(SeenInputs seen) {
    return table
        .rule()
        .counting()
        .number(
            Stream.of(Meaning.values())
                .filter(m -> m.isPreset() && seen.isOn(m))
                .map(Meaning::preset)
                .toList());
  }

  @Override
  public Set<Part> parts() {
    return EnumSet.of(Part.PROGRAM, Part.PRESETS, Part.CONTROLLER, Part.WIRES, Part.DRIVE);
  }

  @Override
  public List<Cause> causes() {
    return List.of(PresetCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return cause instanceof PresetCause own
        ? new PresetCauses(this, clues.path()).variants(own)
        : List.of();
  }
}
