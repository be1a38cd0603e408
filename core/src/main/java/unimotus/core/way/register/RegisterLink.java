package unimotus.core.way.register;

import java.util.List;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;
import unimotus.core.way.number.DriveNumber;
import unimotus.core.way.number.NumberChecks;
import unimotus.core.way.number.NumberLink;
import unimotus.core.way.number.NumberReadings;
import unimotus.core.way.number.ProgramNumber;

/**
 * A reference as a number in a register. Immutable; the {@code with} method exchanges one stage.
 *
 * @param entry the register
 * @param program percent to the number written
 * @param drive the number to output frequency
 */
record RegisterLink(RegisterEntry entry, ProgramNumber program, DriveNumber drive)
    implements NumberLink {

  @Override
  public String label() {
    return "register";
  }

  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    NumberChecks.check(axis.axis().reference(), this, findings);
  }

  @Override
  public List<Cause> causes() {
    return List.of(RegisterCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return new RegisterCauses(this, clues.path()).variants(cause);
  }

  @Override
  public String readWord() {
    return "Register";
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return new NumberReadings(path, program, "register read on the bus");
  }

  @Override
  public RegisterLink with(DriveNumber next) {
    return new RegisterLink(entry, program, next);
  }
}
