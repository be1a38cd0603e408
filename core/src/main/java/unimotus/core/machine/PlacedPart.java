package unimotus.core.machine;

import unimotus.core.sheet.PartSheet;

/**
 * A panel part with its sheet looked up.
 *
 * @param part the part
 * @param sheet its sheet
 */
public record PlacedPart(Part part, PartSheet sheet) {}
