package unimotus.core.path;

import java.util.List;

/**
 * A reference as a number in a register. Immutable; the {@code with} method exchanges one stage.
 *
 * @param program percent to the number written
 * @param drive the number to output frequency
 */
public record RegisterLink(ProgramRegister program, DriveRegister drive) implements ReferenceLink {

  @Override
  public List<Stage> stages() {
    return List.of(program, drive);
  }

  @Override
  public double maximumHertz() {
    return drive.limits().maximumHertz();
  }

  @Override
  public double frequencyAtFullHertz() {
    return program.hertzAtFull();
  }

  @Override
  public FrequencyLimits limits() {
    return drive.limits();
  }

  /** A lost link is told by its silence, not by a number. */
  @Override
  public boolean isLost(Stage stage, double in) {
    return false;
  }

  @Override
  public RegisterLink standingAt(double hertz) {
    return limited(hertz, hertz);
  }

  @Override
  public RegisterLink limited(double minimumHertz, double maximumHertz) {
    return with(drive.with(new FrequencyLimits(minimumHertz, maximumHertz)));
  }

  /** This link with a drive that reads the number otherwise. */
  public RegisterLink with(DriveRegister next) {
    return new RegisterLink(program, next);
  }
}
