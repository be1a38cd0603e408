package unimotus.devices.drive;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;
import unimotus.core.motor.SpeedScale;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;

/** What was written into the values of a drive, and what its reference and time-out mean. */
final class DriveObjects {
  private final List<PlacedValue> values;
  private final SpeedScale speeds;

  /** By the drive's own values: comparing all that one says at every reading would take long. */
  private final Map<PlacedValue, HeldValue> held = new IdentityHashMap<>();

  private double referenceHertz;
  private double timeoutSeconds;

  DriveObjects(List<? extends PlacedValue> values, SpeedScale speeds) {
    this.values = List.copyOf(values);
    this.speeds = speeds;
    this.values.forEach(v -> held.put(v, untouched(v)));
  }

  /** A raw 0, as long as nothing was written. */
  private static HeldValue untouched(PlacedValue value) {
    return value.value().type().isText()
        ? new HeldValue.Text("")
        : new HeldValue.Number(value.value().scaling().value(0));
  }

  static String unit(PlacedValue value) {
    return value.value().scaling().unit();
  }

  private static MeasureUnit timeUnit(PlacedValue value) {
    return MeasureUnit.ofSymbol(unit(value)).orElseThrow();
  }

  HeldValue get(PlacedValue value) {
    return Objects.requireNonNull(held.get(value), value::where);
  }

  /** Takes what was written. */
  void take(PlacedValue value, HeldValue next) {
    held.put(value, next);
    if (next instanceof HeldValue.Number number) {
      mean(value, number.value());
    }
  }

  private void mean(PlacedValue value, double number) {
    switch (value.value().role()) {
      case REFERENCE -> referenceHertz = speeds.hertz(number, unit(value));
      case LINK_TIMEOUT ->
          timeoutSeconds = timeUnit(value).convert(number, MeasureUnit.SECOND_UNIT);
      default -> {}
    }
  }

  /** Puts what stands in a value, as if it had been written. */
  void hold(PlacedValue value, HeldValue next) {
    each(value::equals, own -> next);
  }

  /** The reference is lost, as with the power. */
  void forgetReference() {
    referenceHertz = 0;
    each(v -> v.value().role() == ValueRole.REFERENCE, DriveObjects::untouched);
  }

  void timeout(double seconds) {
    timeoutSeconds = seconds;
    each(
        v -> v.value().role() == ValueRole.LINK_TIMEOUT,
        v -> new HeldValue.Number(MeasureUnit.SECOND_UNIT.convert(seconds, timeUnit(v))));
  }

  private interface Next {
    HeldValue of(PlacedValue value);
  }

  private void each(Predicate<PlacedValue> which, Next next) {
    values.stream().filter(which).forEach(v -> held.put(v, next.of(v)));
  }

  double referenceHertz() {
    return referenceHertz;
  }

  double timeoutSeconds() {
    return timeoutSeconds;
  }
}
