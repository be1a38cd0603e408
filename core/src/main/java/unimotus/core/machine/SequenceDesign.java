package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A sequence of an axis as it was entered, and what its names stand for.
 *
 * @param axis id of the axis it moves
 * @param name what people call it
 * @param words its steps, as they were written
 * @param signals the terminal of the controller that each name stands for, by the name
 * @param responses what happens at the machine in answer to it
 */
@RecordBuilder
public record SequenceDesign(
    String axis,
    String name,
    String words,
    Map<String, TerminalRef> signals,
    List<Response> responses)
    implements SequenceDesignBuilder.With {
  private static final int MOST_WORDS = 20_000;

  /** Takes copies and checks the name. */
  public SequenceDesign {
    signals = Collections.unmodifiableMap(new LinkedHashMap<>(signals));
    responses = List.copyOf(responses);
    if (name.isBlank()) {
      throw new IllegalArgumentException("sequence: it needs a name");
    }
    if (words.length() > MOST_WORDS) {
      throw new IllegalArgumentException(
          "sequence '%s': its words are %d characters, up to %d are read"
              .formatted(name, words.length(), MOST_WORDS));
    }
  }

  /** A sequence with nothing placed yet. */
  public static SequenceDesign begin(String axis, String name, String words) {
    return new SequenceDesign(axis, name, words, Map.of(), List.of());
  }

  /** This sequence without what a part answers or brings about. */
  SequenceDesign without(String part) {
    List<Response> kept =
        responses.stream().filter(r -> !r.part().equals(part) && !r.coil().equals(part)).toList();
    return kept.size() == responses.size() ? this : with().responses(kept).build();
  }

  /** Whether it is the one of that axis and name. */
  public boolean is(String axisId, String itsName) {
    return axis.equals(axisId) && name.equals(itsName);
  }
}
