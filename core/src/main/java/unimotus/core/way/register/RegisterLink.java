package unimotus.core.way.register;

import java.util.List;
import java.util.OptionalDouble;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Carrier;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.way.CommandLink;

/**
 * A reference as a number in a register. Immutable; the {@code with} method exchanges one stage.
 *
 * @param program percent to the number written
 * @param drive the number to output frequency
 */
record RegisterLink(ProgramRegister program, DriveRegister drive)
    implements CommandLink, SpeedLink {

  @Override
  public List<Stage> stages() {
    return List.of(program, drive);
  }

  @Override
  public String label() {
    return "register";
  }

  @Override
  public Carrier carrier(Station from) {
    return from == Station.COUNTS ? Carrier.MESSAGES : Carrier.WITHIN;
  }

  @Override
  public OptionalDouble readBack(double meant) {
    return OptionalDouble.of(program.raw(meant));
  }

  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    new RegisterPathChecks(axis, this, findings).check();
  }

  @Override
  public List<Cause> causes() {
    return List.of(RegisterCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return new RegisterCauses(this, clues).variants(cause);
  }

  @Override
  public String readWord() {
    return "Register";
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return new RegisterReadings(path, program);
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
