package unimotus.desktop.station;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Parent;
import unimotus.core.finding.Finding;

/** The field a finding is mended at: it gets the keyboard and is lit until that leaves it. */
public final class FindingField {
  private static final String LIT = "lit";
  private static final Pattern QUOTED = Pattern.compile("'([^']+)'");

  private FindingField() {}

  /**
   * Takes the keyboard to the field of a finding, once what is shown stands.
   *
   * @param root what is shown
   */
  public static void light(Node root, Finding finding) {
    Platform.runLater(
        () -> {
          // A scroll pane takes its content in only when it is styled; before that it has no focus.
          root.applyCss();
          if (root instanceof Parent parent) {
            parent.layout();
          }
          first(root, finding).ifPresent(FindingField::light);
        });
  }

  private static Optional<Node> first(Node root, Finding finding) {
    return ids(finding).stream()
        .map(id -> root.lookup("#" + id))
        .filter(Objects::nonNull)
        .filter(n -> n.isVisible() && n.isFocusTraversable())
        .findFirst();
  }

  private static void light(Node field) {
    field.requestFocus();
    if (!field.getStyleClass().contains(LIT)) {
      field.getStyleClass().add(LIT);
      field
          .focusedProperty()
          .addListener(
              (o, was, is) -> {
                if (!is) {
                  field.getStyleClass().remove(LIT);
                }
              });
    }
  }

  /** The last part of the place a finding names. */
  private static String last(Finding finding) {
    return finding.place().substring(finding.place().lastIndexOf('/') + 1);
  }

  /** Ids of the fields that mend a finding, the likeliest first. */
  static List<String> ids(Finding finding) {
    return switch (finding.rule()) {
      case AXIS_INCOMPLETE, UNKNOWN_SHEET ->
          List.of("choose-controller", "choose-drive", "choose-motor");
      case PLATE_PLAUSIBLE -> List.of("speed", "rated-speed");
      case DRIVE_CURRENT, PLATE_CURRENT -> List.of("current", "stall-current");
      case EFFICIENCY_CLASS -> List.of("cos-", "power");
      case SERVO_PLATE -> List.of("stall-torque", "n-m-per-ampere");
      case MOTOR_ON_DRIVE -> List.of("power", "stall-torque", "current-a-phase");
      case MOTOR_VOLTAGE, WINDING_VOLTAGE -> List.of("voltage", "feed-mains");
      case FIRMWARE -> List.of("drive-firmware");
      case VARIANT -> List.of("drive-suffix");
      case DAMAGED -> List.of("drive-sound");
      case POWER_SIDE -> power(last(finding));
      case SWITCH_POSITION -> List.of(selector(last(finding)));
      case PRESET_UNKNOWN -> List.of("preset-1-speed", "preset-0-speed");
      case NAME_LEADS_NOWHERE -> List.of("channel", "input");
      case SIGNAL_KIND, LIVE_ZERO -> List.of("signal", "channel", "input");
      case RAW_FULL_SCALE -> List.of("program-100-", "module-full-scale");
      case RESOLUTION -> List.of("wanted-step");
      case SPAN_ENDS, MACHINE_SPEED ->
          List.of("speed-at-100-", "process-value-at-100-", "diameter");
      case ANSWER_SCALE, ANSWER_MEANING -> List.of("actual-value-in", "actual-value-out");
      case AUTOMATIC_RESET -> List.of("stop-manual", "stop-logic");
      case SAFETY_FEED -> List.of("stop-relay", "stop-logic");
      case VERTICAL_LOAD -> List.of("stop-brake", "stop-vertical");
      case STOP_DELAY, TIMED_STOP_FAULT -> List.of("safe-delay", "stop-effect");
      case STOP_RAMP -> List.of("safe-ramp", "stop-effect");
      case BRAKING_ENERGY -> List.of("stop-link", "safe-ramp");
      case STANDING_BYPASS -> List.of("note-words");
      case STOP_DISTANCE -> List.of("use-distance-there-is");
      case MODE_STARTS -> List.of("stop-trigger");
      case NO_SAFETY_STOP, NO_STANDSTILL, STOP_CATEGORY_TWO, STOP_RESTART ->
          List.of("stop-effect", "stop-logic");
      case STOP_FAILS, STOP_UNTOLD, STOP_UNREACHED, STOP_CHANNEL, STOP_NOT_RELEASED ->
          List.of("stop-logic", "stop-effect");
      case WORD_PROFILE -> List.of("profile");
      case REGISTER_MAP -> List.of("register-row-0");
      case SEQUENCE_WORDS, SEQUENCE_STEPS -> List.of("sequence-words");
      case SEQUENCE_NAMES, TWO_OWNERS -> named(finding.seen());
      default -> List.of();
    };
  }

  /** The field of the name that stands in quotes, else where all are. */
  private static List<String> named(String seen) {
    Matcher quoted = QUOTED.matcher(seen);
    return quoted.find()
        ? List.of(place(quoted.group(1)), "place-by-name")
        : List.of("place-by-name");
  }

  /** Id of the field of a name in a sequence. */
  public static String place(String name) {
    return "place-" + name.replaceAll("[^A-Za-z0-9]+", "-");
  }

  /** Id of the field of a switch on a device. */
  public static String selector(String switchId) {
    return "selector-" + switchId.replaceAll("[^A-Za-z0-9]+", "-");
  }

  private static List<String> power(String key) {
    if (key.contains("motor")) {
      return List.of("feed-motor", "feed-mains");
    }
    return key.contains("supply") || key.contains("conductor")
        ? List.of("feed-supply", "feed-mains")
        : List.of("feed-mains");
  }
}
