package unimotus.core.machine;

import java.util.Optional;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/** The settings and switches of one drive as they stand, by meaning. */
public record EffectiveSettings(Drive drive, DriveSheet sheet) {

  /**
   * The value in effect of a definition: the changed one, else the default. A choice that is not
   * among its options cannot be entered, so the default stays; that is told as a finding.
   */
  public SettingValue value(SettingDefinition definition) {
    SettingValue entered = drive.settings().get(definition.code());
    return entered == null || !isOfItsKind(definition, entered) ? definition.initial() : entered;
  }

  private static boolean isOfItsKind(SettingDefinition definition, SettingValue entered) {
    return definition instanceof NumberSetting
        ? entered instanceof SettingValue.Number
        : definition.takes(entered);
  }

  /** The number that plays {@code role}; {@code otherwise} where the drive has no such setting. */
  public double number(SettingRole role, double otherwise) {
    return sheet.setting(role).flatMap(this::number).orElse(otherwise);
  }

  /** The number that plays {@code role} for a terminal; {@code otherwise} where there is none. */
  public double number(SettingRole role, String terminal, double otherwise) {
    return sheet.setting(role, terminal).flatMap(this::number).orElse(otherwise);
  }

  /** The choice that plays {@code role}; {@code otherwise} where the drive has no such setting. */
  public String choice(SettingRole role, String otherwise) {
    return sheet.setting(role).flatMap(this::choice).orElse(otherwise);
  }

  /** The choice that plays {@code role} for a terminal; {@code otherwise} where there is none. */
  public String choice(SettingRole role, String terminal, String otherwise) {
    return sheet.setting(role, terminal).flatMap(this::choice).orElse(otherwise);
  }

  /** The position of the drive's selector for {@code role}; {@code otherwise} where it has none. */
  public String selector(SelectorRole role, String otherwise) {
    return sheet.selector(role).map(this::position).orElse(otherwise);
  }

  /** The position of a terminal's selector; {@code otherwise} where it has none. */
  public String selector(SelectorRole role, String terminal, String otherwise) {
    return sheet.selector(role, terminal).map(this::position).orElse(otherwise);
  }

  /** The binary input set to {@code function}; empty where none is. */
  public Optional<String> inputFor(String function) {
    return sheet.settings().stream()
        .filter(s -> s.role() == SettingRole.INPUT_FUNCTION && s.terminal() != null)
        .filter(s -> choice(s).filter(function::equals).isPresent())
        .map(SettingDefinition::terminal)
        .findFirst();
  }

  /** What a binary input is set to; empty where the drive has no such setting. */
  public Optional<String> functionOf(String terminal) {
    return sheet.setting(SettingRole.INPUT_FUNCTION, terminal).flatMap(this::choice);
  }

  /** The position of a channel's selector on a controller; {@code otherwise} where it has none. */
  public static String channel(
      Controller controller,
      ControllerSheet sheet,
      SelectorRole role,
      String terminal,
      String otherwise) {
    return sheet
        .selector(role, terminal)
        .map(s -> s.positionIn(controller.selectors()))
        .orElse(otherwise);
  }

  private String position(Selector selector) {
    return selector.positionIn(drive.selectors());
  }

  private Optional<Double> number(SettingDefinition definition) {
    return value(definition) instanceof SettingValue.Number n
        ? Optional.of(n.value())
        : Optional.empty();
  }

  private Optional<String> choice(SettingDefinition definition) {
    return value(definition) instanceof SettingValue.Choice c
        ? Optional.of(c.value())
        : Optional.empty();
  }
}
