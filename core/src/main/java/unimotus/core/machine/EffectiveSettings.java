package unimotus.core.machine;

import java.util.Optional;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.Terminal;

/** The settings and switches of one drive as they stand, by meaning. */
public record EffectiveSettings(Drive drive, DriveSheet sheet) {

  /**
   * The value in effect of a definition: the one entered, else the one another entry has rewritten
   * it to, as a macro does, else the factory default. A choice that is not among its options cannot
   * be entered; that is told as a finding.
   */
  public SettingValue value(SettingDefinition definition) {
    SettingValue entered = drive.settings().get(definition.code());
    if (entered != null && isOfItsKind(definition, entered)) {
      return entered;
    }
    return rewritten(definition).orElse(definition.initial());
  }

  /**
   * What a setting that was not entered itself stands at because another one was; empty where none
   * rewrites it. Where two of those that were entered write it, the later rule of the sheet counts.
   */
  private Optional<SettingValue> rewritten(SettingDefinition definition) {
    SettingValue found = null;
    for (SettingRule.Rewrites rule : sheet.rules(SettingRule.Rewrites.class)) {
      SettingValue sets = rule.sets().get(definition.code());
      if (sets != null && isEntered(rule)) {
        found = sets;
      }
    }
    return Optional.ofNullable(found);
  }

  private boolean isEntered(SettingRule.Rewrites rule) {
    SettingValue by = drive.settings().get(rule.code());
    return by != null
        && (rule.when() == null
            || (by instanceof SettingValue.Choice c && c.value().equals(rule.when())));
  }

  /** The setting whose entry has rewritten this one; empty where none has. */
  public Optional<String> rewrittenBy(SettingDefinition definition) {
    return drive.settings().containsKey(definition.code())
        ? Optional.empty()
        : sheet.rules(SettingRule.Rewrites.class).stream()
            .filter(r -> r.sets().containsKey(definition.code()) && isEntered(r))
            .map(SettingRule.Rewrites::code)
            .reduce((first, second) -> second);
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

  /** Whether the choice of {@code role} is {@code option}; without such a setting, the other. */
  public boolean is(SettingRole role, Option option, Option otherwise) {
    return choice(role, otherwise.word()).equals(option.word());
  }

  /** Whether a terminal's choice is {@code option}; without such a setting, {@code otherwise}. */
  public boolean is(SettingRole role, String terminal, Option option, Option otherwise) {
    return choice(role, terminal, otherwise.word()).equals(option.word());
  }

  /** Whether the selector of {@code role} stands at {@code option}; without one, the other. */
  public boolean is(SelectorRole role, Option option, Option otherwise) {
    return selector(role, otherwise.word()).equals(option.word());
  }

  /** Whether a terminal's selector stands at {@code option}; without one, {@code otherwise}. */
  public boolean is(SelectorRole role, String terminal, Option option, Option otherwise) {
    return selector(role, terminal, otherwise.word()).equals(option.word());
  }

  /** The choice of {@code role}; {@code otherwise} where the drive has no such setting. */
  public Option option(SettingRole role, Option otherwise) {
    return Option.of(choice(role, otherwise.word())).orElse(otherwise);
  }

  /** The choice of a terminal; {@code otherwise} where it has no such setting. */
  public Option option(SettingRole role, String terminal, Option otherwise) {
    return Option.of(choice(role, terminal, otherwise.word())).orElse(otherwise);
  }

  /** The position of the drive's selector for {@code role}; {@code otherwise} where it has none. */
  public String selector(SelectorRole role, String otherwise) {
    return sheet.selector(role).map(this::position).orElse(otherwise);
  }

  /** The position of a terminal's selector; {@code otherwise} where it has none. */
  public String selector(SelectorRole role, String terminal, String otherwise) {
    return sheet.selector(role, terminal).map(this::position).orElse(otherwise);
  }

  /**
   * The frequency ramp times count to in hertz: a setting of its own, else the maximum frequency;
   * {@code otherwise} where the drive has neither.
   */
  public double rampBaseHertz(double otherwise) {
    return number(
        SettingRole.RAMP_BASE_FREQUENCY, number(SettingRole.MAXIMUM_FREQUENCY, otherwise));
  }

  /** The binary input set to {@code function}, or made for it; empty where none is. */
  public Optional<String> inputFor(String function) {
    Optional<String> made =
        sheet.terminals().stream()
            .filter(t -> t.function() != null && t.function().word().equals(function))
            .map(Terminal::id)
            .findFirst();
    return made.isPresent() ? made : inputSetTo(function);
  }

  private Optional<String> inputSetTo(String function) {
    return sheet.settings().stream()
        .filter(s -> s.role() == SettingRole.INPUT_FUNCTION && s.terminal() != null)
        .filter(s -> choice(s).filter(function::equals).isPresent())
        .map(SettingDefinition::terminal)
        .findFirst();
  }

  /** What a binary input is set to or made for; empty where the drive has no such setting. */
  public Optional<String> functionOf(String terminal) {
    Optional<String> made = sheet.terminal(terminal).map(Terminal::function).map(Meaning::word);
    return made.isPresent() ? made : setFunctionOf(terminal);
  }

  private Optional<String> setFunctionOf(String terminal) {
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
