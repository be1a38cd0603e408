package unimotus.core.machine;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/**
 * A value of a device that its sheet does not have: a switch that is not there, a position the
 * switch does not take, a setting that is unknown, out of range or of the wrong kind.
 *
 * @param device id of the device
 * @param id id of the switch, or code of the setting
 * @param isSetting whether it is a setting, else a switch
 * @param isKnown whether the device has such a switch or setting at all
 * @param text thing, value and what is allowed, in words
 */
public record Unusable(String device, String id, boolean isSetting, boolean isKnown, String text) {

  /** Everything of a device that cannot be used; empty where all can. */
  public static List<Unusable> of(Device device, DeviceSheet sheet) {
    return of(device, sheet, s -> true);
  }

  /** Everything of a device that cannot be used, of its switches only those of {@code which}. */
  public static List<Unusable> of(Device device, DeviceSheet sheet, Predicate<Selector> which) {
    List<Unusable> found = new ArrayList<>(selectors(device, sheet, which));
    if (device instanceof Drive drive && sheet instanceof DriveSheet drives) {
      found.addAll(settings(drive, drives, s -> true));
    }
    return found;
  }

  /** Switches that cannot be used; those of {@code which}, and unknown ones. */
  public static List<Unusable> selectors(
      Device device, DeviceSheet sheet, Predicate<Selector> which) {
    List<Unusable> found = new ArrayList<>();
    for (Map.Entry<String, String> set : device.selectors().entrySet()) {
      Selector selector = find(sheet, set.getKey());
      if (selector == null) {
        found.add(
            new Unusable(
                device.id(),
                set.getKey(),
                false,
                false,
                "switch '%s' of %s is set to '%s'; %s has %s"
                    .formatted(
                        set.getKey(),
                        device.name(),
                        set.getValue(),
                        sheet.name(),
                        switches(sheet))));
      } else if (which.test(selector) && !selector.options().contains(set.getValue())) {
        found.add(
            new Unusable(
                device.id(),
                set.getKey(),
                false,
                true,
                "switch %s of %s is set to '%s'; it has %s"
                    .formatted(
                        set.getKey(),
                        device.name(),
                        set.getValue(),
                        String.join(", ", selector.options()))));
      }
    }
    return found;
  }

  private static @Nullable Selector find(DeviceSheet sheet, String id) {
    for (Selector selector : sheet.selectors()) {
      if (selector.id().equals(id)) {
        return selector;
      }
    }
    return null;
  }

  private static String switches(DeviceSheet sheet) {
    return sheet.selectors().isEmpty()
        ? "no switch"
        : sheet.selectors().stream().map(Selector::id).collect(Collectors.joining(", "));
  }

  /** Settings that cannot be used; those of {@code which}, and unknown ones. */
  public static List<Unusable> settings(
      Drive drive, DriveSheet sheet, Predicate<SettingDefinition> which) {
    List<Unusable> found = new ArrayList<>();
    drive
        .settings()
        .forEach(
            (code, value) ->
                sheet
                    .setting(code)
                    .ifPresentOrElse(
                        s -> {
                          if (which.test(s) && !s.takes(value)) {
                            found.add(
                                new Unusable(drive.id(), code, true, true, refused(s, value)));
                          }
                        },
                        () ->
                            found.add(
                                new Unusable(
                                    drive.id(),
                                    code,
                                    true,
                                    false,
                                    "setting %s is not one of %s".formatted(code, sheet.name())))));
    return found;
  }

  private static String refused(SettingDefinition setting, SettingValue value) {
    return "%s %s is %s; the drive takes %s"
        .formatted(setting.code(), setting.name(), text(value), setting.rangeText());
  }

  private static String text(SettingValue value) {
    return value instanceof SettingValue.Number n
        ? QuantityFormat.PLAIN.number(n.value())
        : "'%s'".formatted(((SettingValue.Choice) value).value());
  }
}
