package unimotus.core.sheet;

import java.util.List;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A setting that is one of a few choices.
 *
 * @param code code in the drive's menu
 * @param name name in words
 * @param group menu group
 * @param role meaning to the axis, or null
 * @param terminal terminal it belongs to, or null
 * @param options the choices, at least one
 * @param defaultValue value from the works, one of the options
 */
public record ChoiceSetting(
    String code,
    String name,
    String group,
    @Nullable SettingRole role,
    @Nullable String terminal,
    List<Option> options,
    String defaultValue)
    implements SettingDefinition {

  /**
   * One choice.
   *
   * @param value the stable word for its meaning
   * @param shown what the drive's own display shows for it
   */
  public record Option(String value, String shown) {}

  /** Checks that the default is one of the options. */
  public ChoiceSetting {
    options = List.copyOf(options);
    if (options.stream().noneMatch(o -> o.value().equals(defaultValue))) {
      throw new IllegalArgumentException(
          "setting %s: default '%s' is not one of its options".formatted(code, defaultValue));
    }
  }

  @Override
  public SettingValue initial() {
    return new SettingValue.Choice(defaultValue);
  }

  @Override
  public ChoiceSetting withCode(String nextCode) {
    return new ChoiceSetting(nextCode, name, group, role, terminal, options, defaultValue);
  }

  @Override
  public boolean takes(SettingValue value) {
    return value instanceof SettingValue.Choice c
        && options.stream().anyMatch(o -> o.value().equals(c.value()));
  }

  @Override
  public String rangeText() {
    return options.stream().map(Option::value).collect(Collectors.joining(", "));
  }
}
