package unimotus.core.way.processdata;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.StationState;
import unimotus.core.profile.OperatingMode;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.way.number.DriveNumber;
import unimotus.core.way.number.NumberChecks;
import unimotus.core.way.number.NumberLink;
import unimotus.core.way.number.NumberReadings;
import unimotus.core.way.number.ProgramNumber;

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
  /** Key of the state its station shows. */
  static final String STATE = Predictor.LINK_STATE + "station";

  /** Key of the mode its drive shows. */
  static final String MODE = Predictor.LINK_STATE + "mode";

  /** A state with the error bit beside it. */
  static final String FELL_BACK = "SAFE-OP with an error";

  static final String SILENT = "no answer";

  private static final List<String> STATES =
      List.of(
          StationState.OP.label(),
          StationState.SAFE_OP.label(),
          FELL_BACK,
          StationState.PRE_OP.label(),
          StationState.INIT.label(),
          SILENT);

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
    return List.of(ProcessDataCause.values());
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

  /** What chooses a mode, as it is read. */
  static String word(OperatingMode mode) {
    return "%d %s".formatted(mode.number(), mode.label());
  }

  /** The modes that can be read, the one that is meant first. */
  List<String> modes() {
    OperatingMode meant = image.mode().orElseThrow();
    List<String> modes = new ArrayList<>();
    modes.add(word(meant));
    Arrays.stream(OperatingMode.values())
        .filter(m -> m != meant)
        .map(ProcessDataLink::word)
        .forEach(modes::add);
    return modes;
  }

  @Override
  public List<Prediction> states(AxisAssembly axis) {
    Set<Part> parts = EnumSet.of(Part.CONTROLLER, Part.DRIVE, Part.PROGRAM);
    String station = image.design().station().name();
    return List.of(
        state(
            STATE,
            "state of the station while run is commanded",
            STATES,
            station,
            "Controller running. Read the state the controller shows for the station, or register 0x0130.",
            parts),
        state(
            MODE,
            "mode the drive shows",
            modes(),
            "object 0x6061 of " + station,
            "Station in OP. Read 0x6061:0; 0x6060 is what was asked for.",
            parts));
  }

  private static Prediction state(
      String key, String title, List<String> choices, String where, String how, Set<Part> parts) {
    return new Prediction(
        key,
        "Station",
        title,
        new Expectation.Word(choices.get(0), choices),
        null,
        Double.NaN,
        where,
        "controller or this program",
        how,
        parts,
        Derivation.NONE);
  }
}
