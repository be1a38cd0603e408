package unimotus.core.sheet;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * A class of motor drive.
 *
 * @param id stable id
 * @param name class of the device in words
 * @param driveKind what it makes of the mains, and which motors it runs
 * @param terminals control terminals
 * @param selectors switches and jumpers
 * @param converterBits resolution of the analog inputs, 8 to 24 bit
 * @param ratings power, current and overload
 * @param settings the drive's settings in menu order
 * @param menu how one walks through them
 * @param rules what else the drive does with them
 * @param power what it asks of supply, cables and place; null where the sheet is silent
 * @param identity what tells one drive of the class from another; null where the sheet is silent
 * @param statusTexts what it shows in which state; possibly empty
 * @param procedures guarded entries; possibly empty
 * @param presets how it takes preset speeds; null where it has none, or the sheet is silent
 */
@RecordBuilder
public record DriveSheet(
    String id,
    String name,
    DriveKind driveKind,
    List<Terminal> terminals,
    List<Selector> selectors,
    int converterBits,
    DriveRatings ratings,
    List<SettingDefinition> settings,
    Menu menu,
    List<SettingRule> rules,
    @Nullable PowerData power,
    @Nullable DriveIdentity identity,
    List<StatusText> statusTexts,
    List<EntryProcedure> procedures,
    @Nullable PresetInputs presets)
    implements DeviceSheet {

  /** Copies the lists, checks the converter; a menu or rules not given are plain or none. */
  public DriveSheet {
    terminals = List.copyOf(terminals);
    selectors = List.copyOf(selectors);
    settings = List.copyOf(settings);
    menu = menu == null ? Menu.LIST : menu;
    rules = rules == null ? List.of() : List.copyOf(rules);
    statusTexts = statusTexts == null ? List.of() : List.copyOf(statusTexts);
    procedures = procedures == null ? List.of() : List.copyOf(procedures);
    Bits.check(id, converterBits);
  }

  /** The setting with this code; empty where the drive has none such. */
  public Optional<SettingDefinition> setting(String code) {
    return first(s -> s.code().equals(code));
  }

  /** The setting that plays {@code role} for the whole drive; empty where there is none. */
  public Optional<SettingDefinition> setting(SettingRole role) {
    return first(s -> s.role() == role && s.terminal() == null);
  }

  /** The setting that plays {@code role} for one terminal; empty where there is none. */
  public Optional<SettingDefinition> setting(SettingRole role, String terminalId) {
    return first(s -> s.role() == role && terminalId.equals(s.terminal()));
  }

  /** The setting that holds the output frequency of a combination; empty where there is none. */
  public Optional<SettingDefinition> presetSetting(int combination) {
    return first(s -> s instanceof NumberSetting n && n.isOfPreset(combination));
  }

  // A plain loop: asked for each setting of each drive at every edit.
  private Optional<SettingDefinition> first(Predicate<SettingDefinition> which) {
    for (SettingDefinition setting : settings) {
      if (which.test(setting)) {
        return Optional.of(setting);
      }
    }
    return Optional.empty();
  }

  @Override
  public DriveSheet withIdentity(String nextId, String nextName) {
    return DriveSheetBuilder.builder(this).id(nextId).name(nextName).build();
  }

  @Override
  public DriveSheet withTerminals(List<Terminal> next) {
    return DriveSheetBuilder.builder(this).terminals(next).build();
  }

  @Override
  public DriveSheet withSelectors(List<Selector> next) {
    return DriveSheetBuilder.builder(this).selectors(next).build();
  }

  /** The rules of one kind, in the order of the sheet. */
  public <R extends SettingRule> List<R> rules(Class<R> kind) {
    return rules.stream().filter(kind::isInstance).map(kind::cast).toList();
  }

  /** This sheet with these rules instead. */
  public DriveSheet withRules(List<SettingRule> next) {
    return DriveSheetBuilder.builder(this).rules(next).build();
  }

  /** This sheet with these settings instead. */
  public DriveSheet withSettings(List<SettingDefinition> next) {
    return DriveSheetBuilder.builder(this).settings(next).build();
  }
}
