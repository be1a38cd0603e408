package unimotus.core.integrity;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import unimotus.core.finding.Rule;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Device;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Project;
import unimotus.core.machine.Snapshot;
import unimotus.core.machine.Unusable;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;

/** Devices against their sheets: is there one, does it have these switches and settings. */
final class DeviceIntegrity {
  private final Project project;
  private final SheetCatalogue sheets;
  private final Integrity found;

  DeviceIntegrity(Project project, SheetCatalogue sheets, Integrity found) {
    this.project = project;
    this.sheets = sheets;
    this.found = found;
  }

  void check() {
    for (Device device : project.devices()) {
      Optional<? extends DeviceSheet> sheet = sheets.find(kind(device), device.sheet());
      if (sheet.isPresent()) {
        Unusable.of(device, sheet.get()).forEach(u -> unusable(device, u));
      } else if (!isToldOfItsAxis(device)) {
        noSheet(device);
      }
    }
    project.records().forEach(this::checkRecord);
  }

  private static Class<? extends DeviceSheet> kind(Device device) {
    if (device instanceof Controller) {
      return ControllerSheet.class;
    }
    return device instanceof Drive ? DriveSheet.class : PartSheet.class;
  }

  /** An axis whose controller or drive has no sheet says so itself. */
  private boolean isToldOfItsAxis(Device device) {
    return project.axes().stream()
        .anyMatch(a -> device.id().equals(a.controller()) || device.id().equals(a.drive()));
  }

  private void noSheet(Device device) {
    String kind =
        device instanceof Controller ? "controller" : device instanceof Drive ? "drive" : "part";
    found.add(
        device.id(),
        Rule.UNKNOWN_SHEET,
        "devices/" + device.id(),
        "%s has the sheet '%s', and no %s is known by that name"
            .formatted(device.name(), device.sheet(), kind),
        "Nothing is known of its terminals: anything wired to it is left out of every calculation.",
        "Put the device sheet into the folder of sheets, or choose another device.");
  }

  private void unusable(Device device, Unusable what) {
    if (what.isSetting()) {
      found.add(
          device.id(),
          Rule.SETTING_RANGE,
          "drive/" + what.id(),
          what.text(),
          what.isKnown()
              ? "The drive will refuse the value or clip it, and keep another one than is written here."
              : "The value cannot be entered on this drive.",
          what.isKnown()
              ? "Enter a value within the range, or choose a drive that has it."
              : "Remove it, or choose the drive it belongs to.");
      return;
    }
    found.addFor(
        concerned(device, what),
        Rule.SWITCH_POSITION,
        "devices/%s/%s".formatted(device.id(), what.id()),
        what.text(),
        "The real position of the switch is not known; nothing can be based on it.",
        "Read the position at the device and choose it here.");
  }

  /** A channel's switch concerns the axes that use the channel, another one all of the device. */
  private Set<String> concerned(Device device, Unusable what) {
    Optional<String> channel =
        sheets.find(kind(device), device.sheet()).stream()
            .flatMap(s -> s.selectors().stream())
            .filter(s -> s.id().equals(what.id()))
            .findFirst()
            .map(Selector::terminal);
    Set<String> owners = found.owners(device.id());
    if (!(device instanceof Controller) || channel.isEmpty()) {
      return owners;
    }
    return project.axes().stream()
        .filter(a -> owners.contains(a.id()))
        .filter(
            a ->
                channel.get().equals(a.reference().output())
                    || channel.get().equals(a.answer().input()))
        .map(Axis::id)
        .collect(Collectors.toSet());
  }

  /**
   * Settings that were read are what they are, but a drive cannot have had what it does not take.
   */
  private void checkRecord(DriveRecord record) {
    Optional<DriveSheet> sheet =
        project.drive(record.drive()).flatMap(d -> sheets.find(DriveSheet.class, d.sheet()));
    if (sheet.isEmpty()) {
      return;
    }
    for (Snapshot snapshot : record.snapshots()) {
      List<String> wrong =
          snapshot.values().entrySet().stream()
              .filter(v -> isRefused(sheet.get(), v.getKey(), v.getValue()))
              .map(v -> "%s = %s".formatted(v.getKey(), text(v.getValue())))
              .toList();
      if (!wrong.isEmpty()) {
        found.add(
            record.drive(),
            Rule.SETTING_RANGE,
            "records/%s/%s".formatted(record.drive(), snapshot.at()),
            "settings read on %s that the drive does not have or take: %s"
                .formatted(snapshot.at(), String.join(", ", wrong)),
            "They were read wrongly, or of another drive: comparing with them tells nothing.",
            "Read them again.");
      }
    }
  }

  private static boolean isRefused(DriveSheet sheet, String code, SettingValue value) {
    return sheet.setting(code).filter(s -> s.takes(value)).isEmpty();
  }

  private static String text(SettingValue value) {
    return value instanceof SettingValue.Number n
        ? QuantityFormat.PLAIN.number(n.value())
        : ((SettingValue.Choice) value).value();
  }
}
