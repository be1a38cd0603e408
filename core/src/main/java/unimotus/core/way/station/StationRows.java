package unimotus.core.way.station;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.processdata.StationState;
import unimotus.core.profile.OperatingMode;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;

/**
 * The rows of a station in the list of readings.
 *
 * @param station its name
 * @param meant the mode its drive is to be in
 * @param modeObject the object that shows the mode
 */
public record StationRows(String station, OperatingMode meant, int modeObject) {
  /** Key of the state it shows. */
  public static final String STATE = Predictor.LINK_STATE + "station";

  /** Key of the mode its drive shows. */
  public static final String MODE = Predictor.LINK_STATE + "mode";

  /** A state with the error bit beside it. */
  public static final String FELL_BACK = "SAFE-OP with an error";

  /** Where nothing answers. */
  public static final String SILENT = "no answer";

  /** Object that chooses a mode, from the one that shows it. */
  private static final int CHOOSES = -1;

  private static final List<String> STATES =
      List.of(
          StationState.OP.label(),
          StationState.SAFE_OP.label(),
          FELL_BACK,
          StationState.PRE_OP.label(),
          StationState.INIT.label(),
          SILENT);

  /** What chooses a mode, as it is read. */
  public static String word(OperatingMode mode) {
    return "%d %s".formatted(mode.number(), mode.label());
  }

  /** The modes that can be read, the one that is meant first. */
  public List<String> modes() {
    List<String> modes = new ArrayList<>();
    modes.add(word(meant));
    Arrays.stream(OperatingMode.values())
        .filter(m -> m != meant)
        .map(StationRows::word)
        .forEach(modes::add);
    return modes;
  }

  /** State and mode, as they should be read. */
  public List<Prediction> predictions() {
    return List.of(
        row(
            STATE,
            "state of the station while run is commanded",
            STATES,
            station,
            "Controller running. Read the state the controller shows for the station, or register 0x0130."),
        row(
            MODE,
            "mode the drive shows",
            modes(),
            "object 0x%04X of %s".formatted(modeObject, station),
            "Station in OP. Read 0x%04X:0; 0x%04X is what was asked for."
                .formatted(modeObject, modeObject + CHOOSES)));
  }

  private static Prediction row(
      String key, String title, List<String> choices, String where, String how) {
    Set<Part> parts = EnumSet.of(Part.CONTROLLER, Part.DRIVE, Part.PROGRAM);
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
