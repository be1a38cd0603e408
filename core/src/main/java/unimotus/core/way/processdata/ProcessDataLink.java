package unimotus.core.way.processdata;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.proof.Prediction;
import unimotus.core.way.number.DriveNumber;
import unimotus.core.way.number.NumberChecks;
import unimotus.core.way.number.NumberLink;
import unimotus.core.way.number.NumberReadings;
import unimotus.core.way.number.ProgramNumber;
import unimotus.core.way.station.StationCause;
import unimotus.core.way.station.StationRows;

/**
 * A reference as a number in a process image. Immutable; the {@code with} method exchanges one
 * stage.
 *
 * @param image what of the drive stands in the image
 * @param program percent to the number written
 * @param drive the number to output frequency
 */
record ProcessDataLink(DriveImage image, ProgramNumber program, DriveNumber drive)
    implements NumberLink {
  @Override
  public String label() {
    return "process data";
  }

  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    NumberChecks.check(axis.axis().reference(), this, findings);
  }

  @Override
  public List<Cause> causes() {
    List<Cause> causes = new ArrayList<>(List.of(ProcessDataCause.values()));
    causes.addAll(List.of(StationCause.values()));
    return causes;
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return new ProcessDataCauses(this, clues.path()).variants(cause);
  }

  @Override
  public String readWord() {
    return "Process image";
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return new NumberReadings(path, program, "variable in the controller, or the image on the bus");
  }

  @Override
  public ProcessDataLink with(DriveNumber next) {
    return new ProcessDataLink(image, program, next);
  }

  /** What its station shows. */
  StationRows rows() {
    return new StationRows(
        image.design().station().name(), image.mode().orElseThrow(), ProfileObject.MODE_SHOWN);
  }

  @Override
  public List<Prediction> states(AxisAssembly axis) {
    return rows().predictions();
  }
}
