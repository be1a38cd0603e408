package unimotus.workbench.live;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;

/**
 * What a link wrote last, and whether the drive has shown it since: only then something else there
 * is somebody else's. Whoever calls holds the lock of the link; whether anything is owed may be
 * asked at any time.
 */
final class Written {
  /** Empty before the first. */
  private OptionalInt controlWord = OptionalInt.empty();

  private boolean wordShown;

  /** Not a number before the first. */
  private double reference = Double.NaN;

  private boolean referenceShown;

  /** Something was written that nobody has taken back yet. */
  private volatile boolean owed;

  /** Counts from the moment it goes out: where no answer comes the drive may have taken it. */
  void sent(PlacedValue value, double number) {
    owed = true;
    if (value.value().role() == ValueRole.CONTROL_WORD) {
      word((int) number);
      wordShown = false;
    }
    if (value.value().role() == ValueRole.REFERENCE) {
      reference(number);
      referenceShown = false;
    }
  }

  /** A control word went out that is not owed, as a stop word is not. */
  void word(int word) {
    controlWord = OptionalInt.of(word);
  }

  void reference(double number) {
    reference = number;
  }

  void takenBack() {
    owed = false;
  }

  boolean isOwed() {
    return owed;
  }

  /** The control word that was written last; another one where none was. */
  int wordOr(int other) {
    return controlWord.orElse(other);
  }

  /** The reference that was written last; not a number before. */
  double lastReference() {
    return reference;
  }

  /** Looks whether the drive shows what was written. */
  void saw(Sample sample) {
    OptionalDouble control = sample.value(ValueRole.CONTROL_WORD);
    wordShown |=
        control.isPresent()
            && controlWord.isPresent()
            && (int) control.getAsDouble() == controlWord.getAsInt();
    referenceShown |= sample.placed(ValueRole.REFERENCE).filter(r -> shows(sample, r)).isPresent();
  }

  /** Whether somebody else wrote a control word after that of this link was seen in the drive. */
  boolean isForeign(int found, int stop) {
    return wordShown && found != controlWord.orElse(stop) && found != stop;
  }

  /** Whether somebody else wrote a reference after that of this link was seen in the drive. */
  boolean isForeign(Sample found, PlacedValue placed) {
    return referenceShown && found.value(placed).isPresent() && !shows(found, placed);
  }

  /** Whether the reference that was written last stands in the drive, to a step. */
  private boolean shows(Sample found, PlacedValue placed) {
    OptionalDouble stands = found.value(placed);
    return stands.isPresent()
        && Math.abs(stands.getAsDouble() - reference) <= Math.abs(placed.value().scaling().scale());
  }
}
