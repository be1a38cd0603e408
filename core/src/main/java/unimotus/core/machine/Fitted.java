package unimotus.core.machine;

import unimotus.core.sheet.DeviceSheet;

/**
 * A device of any kind with its sheet looked up.
 *
 * @param device the device
 * @param sheet its sheet
 */
public record Fitted(Device device, DeviceSheet sheet) {}
