package unimotus.desktop.motion;

import java.util.List;

/**
 * Where a finding's place is found in the motion pane.
 *
 * @param side name of the side
 * @param ids of its field, the first that is there being taken
 */
record MotionField(String side, List<String> ids) {

  static MotionField of(String place) {
    String last = place.substring(place.lastIndexOf('/') + 1);
    if (place.contains("/scaling")) {
      return at("SCALING", last + "-counts", "read-" + last);
    }
    return switch (last) {
      case "bits" -> at("BITS", "position-1-to", "position-1-by");
      case "coils" -> at("COILS", "coils-whole", "coils-series", "coils-half");
      case "switches" -> at("COILS", "switch-current", "bank-current-1");
      case "supply" -> at("COILS", "supply-of-the-driver");
      case "word" -> at("COILS", "bits-of-the-number");
      case "switches-of-the-travel" ->
          at("MOVES", "switch-from-0", "switch-to-place", "velocity-of-a-jog");
      case "travel" -> at("MOVES", "lowest-position");
      case "load" -> at("MOVES", "suspended-mass");
      default -> at("MOVES", "velocity");
    };
  }

  private static MotionField at(String side, String... ids) {
    return new MotionField(side, List.of(ids));
  }
}
