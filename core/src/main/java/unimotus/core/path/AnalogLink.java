package unimotus.core.path;

import java.util.List;

/**
 * A reference as a voltage or a current. Immutable; the {@code with} methods exchange one stage.
 *
 * @param counts percent to counts
 * @param module counts to signal
 * @param input signal to the drive's percent
 * @param reference percent to output frequency
 */
public record AnalogLink(
    ProgramCounts counts, OutputModule module, DriveInput input, DriveReference reference)
    implements ReferenceLink {

  @Override
  public List<Stage> stages() {
    return List.of(counts, module, input, reference);
  }

  @Override
  public double maximumHertz() {
    return reference.maximumHertz();
  }

  @Override
  public double frequencyAtFullHertz() {
    return reference.frequencyAtHighHertz();
  }

  @Override
  public FrequencyLimits limits() {
    return new FrequencyLimits(reference.minimumHertz(), reference.maximumHertz());
  }

  /** A live zero that is lost stops the drive where its input is told to act on it. */
  @Override
  public boolean isLost(Stage stage, double in) {
    return stage == input && input.isLost(in);
  }

  @Override
  public AnalogLink standingAt(double hertz) {
    return with(
        new DriveReference(
            hertz, hertz, hertz, hertz, reference.leastPercent(), reference.codes()));
  }

  @Override
  public AnalogLink limited(double minimumHertz, double maximumHertz) {
    return with(
        new DriveReference(
            reference.frequencyAtLowHertz(),
            reference.frequencyAtHighHertz(),
            minimumHertz,
            maximumHertz,
            reference.leastPercent(),
            reference.codes()));
  }

  /** This link with another counting program. */
  public AnalogLink with(ProgramCounts next) {
    return new AnalogLink(next, module, input, reference);
  }

  /** This link with another output channel. */
  public AnalogLink with(OutputModule next) {
    return new AnalogLink(counts, next, input, reference);
  }

  /** This link with another drive input. */
  public AnalogLink with(DriveInput next) {
    return new AnalogLink(counts, module, next, reference);
  }

  /** This link with another reference scaling. */
  public AnalogLink with(DriveReference next) {
    return new AnalogLink(counts, module, input, next);
  }
}
