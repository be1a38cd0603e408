package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Something that was measured or observed: the evidence.
 *
 * @param axis id of the axis
 * @param prediction key of the prediction it answers, such as {@code ref50.frequency}
 * @param amount the measured number in the prediction's unit; null where a word was observed
 * @param word the observed state; null where a number was measured
 * @param instrument what it was measured with
 * @param takenAt when, as an ISO 8601 instant
 * @param by who measured
 * @param basis digest of each part of the design at that time, by part; tells later whether
 *     something upstream has changed
 * @param note what was seen besides, in the words of who measured; null where nothing was written
 * @param photo path of a picture of it, as it was entered; null where there is none
 */
@RecordBuilder
public record Reading(
    String axis,
    String prediction,
    @Nullable Double amount,
    @Nullable String word,
    String instrument,
    String takenAt,
    String by,
    Map<String, String> basis,
    @Nullable String note,
    @Nullable String photo)
    implements ReadingBuilder.With {

  /** Checks that exactly one of number and word is given and freezes the basis. */
  public Reading {
    Moments.check("reading %s of axis %s".formatted(prediction, axis), takenAt);
    if ((amount == null) == (word == null)) {
      throw new IllegalArgumentException(
          "reading %s of axis %s needs either a number or a word".formatted(prediction, axis));
    }
    if (amount != null && !Double.isFinite(amount)) {
      throw new IllegalArgumentException(
          "reading %s of axis %s must be finite, not %s".formatted(prediction, axis, amount));
    }
    basis = Collections.unmodifiableMap(new TreeMap<>(basis));
    note = note == null || note.isBlank() ? null : note.strip();
    photo = photo == null || photo.isBlank() ? null : photo.strip();
  }

  /** A reading with nothing written beside it. */
  public Reading(
      String axis,
      String prediction,
      @Nullable Double amount,
      @Nullable String word,
      String instrument,
      String takenAt,
      String by,
      Map<String, String> basis) {
    this(axis, prediction, amount, word, instrument, takenAt, by, basis, null, null);
  }
}
