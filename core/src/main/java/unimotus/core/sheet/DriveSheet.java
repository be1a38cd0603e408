package unimotus.core.sheet;

import java.util.List;
import java.util.Optional;

/**
 * A class of motor drive.
 *
 * @param id stable id
 * @param name class of the device in words
 * @param terminals control terminals
 * @param selectors switches and jumpers
 * @param converterBits resolution of the analog inputs, 8 to 24 bit
 * @param ratings power, current and overload
 * @param settings the drive's settings in menu order
 */
public record DriveSheet(
    String id,
    String name,
    List<Terminal> terminals,
    List<Selector> selectors,
    int converterBits,
    DriveRatings ratings,
    List<SettingDefinition> settings)
    implements DeviceSheet {

  /** Copies the lists and checks the converter. */
  public DriveSheet {
    terminals = List.copyOf(terminals);
    selectors = List.copyOf(selectors);
    settings = List.copyOf(settings);
    Bits.check(id, converterBits);
  }

  /** The setting with this code; empty where the drive has none such. */
  public Optional<SettingDefinition> setting(String code) {
    return settings.stream().filter(s -> s.code().equals(code)).findFirst();
  }

  /** The setting that plays {@code role} for the whole drive; empty where there is none. */
  public Optional<SettingDefinition> setting(SettingRole role) {
    return settings.stream().filter(s -> s.role() == role && s.terminal() == null).findFirst();
  }

  /** The setting that plays {@code role} for one terminal; empty where there is none. */
  public Optional<SettingDefinition> setting(SettingRole role, String terminalId) {
    return settings.stream()
        .filter(s -> s.role() == role && terminalId.equals(s.terminal()))
        .findFirst();
  }

  @Override
  public DriveSheet withIdentity(String nextId, String nextName) {
    return new DriveSheet(nextId, nextName, terminals, selectors, converterBits, ratings, settings);
  }

  @Override
  public DriveSheet withTerminals(List<Terminal> next) {
    return new DriveSheet(id, name, next, selectors, converterBits, ratings, settings);
  }

  @Override
  public DriveSheet withSelectors(List<Selector> next) {
    return new DriveSheet(id, name, terminals, next, converterBits, ratings, settings);
  }

  /** This sheet with these settings instead. */
  public DriveSheet withSettings(List<SettingDefinition> next) {
    return new DriveSheet(id, name, terminals, selectors, converterBits, ratings, next);
  }
}
