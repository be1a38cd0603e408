package unimotus.core.way.station;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import unimotus.core.detective.Cause;
import unimotus.core.detective.SuspectLink;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.processdata.StationState;
import unimotus.core.proof.Predictor;

/** What can keep a drive behind a station from being commanded. */
public enum StationCause implements Cause {
  MODE_NOT_TAKEN(
      "Operating mode is not the one that is meant",
      2,
      "Station in OP, drive enabled, and no motion; 0x6061 shows another mode than 0x6060 asks for.",
      "Write 0x6060 at start-up or each cycle, and wait until 0x6061 shows it."),
  STATION_NOT_OP(
      "Station does not reach OP",
      2.5,
      "Image right in the controller, drive still; station in INIT, PRE-OP or SAFE-OP.",
      "Read the status code (0x0134) and the first refused object of the start-up list."),
  STATION_WATCHDOG(
      "Outputs come too seldom for the watchdog",
      1.5,
      "Station falls to SAFE-OP with an error, code 0x001B; the drive stops as it is set.",
      "Watchdog over the longest cycle, or a controller that keeps its cycle.");

  private final Account account;

  StationCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public boolean isStanding() {
    return true;
  }

  /** The path as it would be under it; what the drive shows besides is as designed unless told. */
  public List<Variant> variants(SignalPath path, StationRows rows) {
    return switch (this) {
      case MODE_NOT_TAKEN ->
          rows.modes().stream()
              .skip(1)
              .map(m -> still(path, "it shows " + m, Map.of(StationRows.MODE, m)))
              .toList();
      case STATION_NOT_OP ->
          Stream.of(
                  StationState.SAFE_OP.label(),
                  StationState.PRE_OP.label(),
                  StationState.INIT.label(),
                  StationRows.SILENT)
              .flatMap(s -> shown(path, s, s, "ready", "not permitted"))
              .toList();
      case STATION_WATCHDOG ->
          shown(path, "", StationRows.FELL_BACK, "ready", "fault", "not permitted").toList();
    };
  }

  private static Stream<Variant> shown(
      SignalPath path, String text, String state, String... ofDrive) {
    return Stream.of(ofDrive)
        .map(d -> still(path, text, Map.of(StationRows.STATE, state, Predictor.RUN_STATUS, d)));
  }

  private static Variant still(SignalPath path, String text, Map<String, String> words) {
    Map<String, String> all = new HashMap<>();
    if (path.link() instanceof SuspectLink suspect) {
      all.putAll(suspect.standing());
    }
    all.putAll(words);
    return new Variant(text, path.with(path.link().still()), false, all, Map.of());
  }
}
