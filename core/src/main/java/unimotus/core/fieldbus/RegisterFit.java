package unimotus.core.fieldbus;

import java.util.List;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;

/**
 * A place, type, order and scale under which registers said what was known.
 *
 * @param table the table
 * @param address the first place, counted from 0
 * @param type what the words mean
 * @param order how they lie; {@link WordOrder#ABCD} for a single register
 * @param scale value of one raw step
 * @param evidence a line for each known value, with raw number and product
 */
public record RegisterFit(
    RegisterTable table,
    int address,
    ValueType type,
    WordOrder order,
    double scale,
    List<String> evidence) {

  /** Takes a copy. */
  public RegisterFit {
    evidence = List.copyOf(evidence);
  }

  /** An entry with what was found in the place of what it had. */
  public RegisterEntry into(RegisterEntry entry) {
    return new RegisterEntry(
        new DriveValue(
            entry.name(),
            entry.role(),
            type,
            Scaling.of(scale, entry.unit()),
            new Limits(
                Math.max(entry.minimum(), type.least() * scale),
                Math.min(entry.maximum(), type.most() * scale)),
            entry.access()),
        new RegisterPlace(table, address, order, entry.group()));
  }
}
