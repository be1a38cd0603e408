package unimotus.core.value;

/** What stands in a value: a number in its unit, or text. */
public sealed interface HeldValue {

  /**
   * A number.
   *
   * @param value in the unit of the value it stands in
   */
  record Number(double value) implements HeldValue {}

  /**
   * Text.
   *
   * @param text without what fills it up; possibly empty
   */
  record Text(String text) implements HeldValue {}
}
