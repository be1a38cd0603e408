package unimotus.core.settings;

import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/**
 * What a drive does when its fieldbus falls silent, by its own settings.
 *
 * @param timeoutCode code of the setting that times out; empty where the drive has none
 * @param timeoutSeconds silence until it acts; 0 for never
 * @param actionCode code of the setting that says what it does; empty where the drive has none
 * @param action what it does then
 * @param stopSeconds time of a ramp from maximum frequency; 0 where a stop coasts
 */
public record LinkLoss(
    Optional<String> timeoutCode,
    double timeoutSeconds,
    Optional<String> actionCode,
    Action action,
    double stopSeconds) {

  /** What a drive does on a lost link. */
  public enum Action {
    FAULT,
    STOP,
    /** It goes on with the last words. */
    HOLD;

    private static Action of(Option choice) {
      return switch (choice) {
        case FAULT -> FAULT;
        case STOP -> STOP;
        default -> HOLD;
      };
    }
  }

  /** The lost link of an axis' drive. */
  public static LinkLoss of(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    boolean ramp = settings.is(SettingRole.STOP_MODE, Option.RAMP, Option.RAMP);
    return new LinkLoss(
        axis.driveSheet().setting(SettingRole.LINK_TIMEOUT).map(SettingDefinition::code),
        settings.number(SettingRole.LINK_TIMEOUT, 0),
        axis.driveSheet().setting(SettingRole.LINK_LOSS_ACTION).map(SettingDefinition::code),
        Action.of(settings.option(SettingRole.LINK_LOSS_ACTION, Option.HOLD)),
        ramp ? settings.number(SettingRole.DECELERATION_TIME, 0) : 0);
  }

  /** Whether the motor runs on with the last words for ever. */
  public boolean runsOn() {
    return timeoutSeconds == 0 || action == Action.HOLD;
  }

  /** What times out and what the motor does, in a sentence. */
  public String words() {
    if (timeoutCode.isEmpty()) {
      return "The drive has no time-out of its link: the motor runs on with the last words.";
    }
    String setting = timeoutCode.get();
    if (timeoutSeconds == 0) {
      return "%s is 0, the drive never times out: the motor runs on with the last words."
          .formatted(setting);
    }
    return "%s: after %s s without a message %s."
        .formatted(setting, QuantityFormat.PLAIN.number(timeoutSeconds), done());
  }

  /** What the motor does once a time-out has passed, in a sentence. */
  public String afterwards() {
    return "Then %s.".formatted(done());
  }

  private String done() {
    String by = actionCode.map(c -> " (" + c + ")").orElse("");
    return switch (action) {
      case HOLD -> "nothing happens%s, the motor runs on with the last words".formatted(by);
      case FAULT -> "the drive faults%s, the motor coasts to rest".formatted(by);
      case STOP ->
          stopSeconds > 0
              ? "the drive stops%s, from full speed by ramp in %s s"
                  .formatted(by, QuantityFormat.PLAIN.number(stopSeconds))
              : "the drive stops%s, the motor coasts to rest".formatted(by);
    };
  }
}
