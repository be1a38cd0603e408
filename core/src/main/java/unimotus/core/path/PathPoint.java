package unimotus.core.path;

import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * The value at one station.
 *
 * @param station the station
 * @param value the value, in {@code unit}
 * @param unit the unit of the path at this station
 * @param low least value possible here, −∞ where nothing limits it
 * @param high greatest value possible here, ∞ where nothing limits it
 * @param step smallest change possible here, 0 where it is continuous
 * @param origin where the numbers come from
 * @param condition what holds the value back, null where nothing does
 * @param sum the line of the sum that led here, null at the first station
 */
public record PathPoint(
    Station station,
    double value,
    MeasureUnit unit,
    double low,
    double high,
    double step,
    String origin,
    @Nullable String condition,
    @Nullable Step sum) {}
