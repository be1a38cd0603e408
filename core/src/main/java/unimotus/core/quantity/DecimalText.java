package unimotus.core.quantity;

import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Sentences and sums with the reader's decimal mark. They are written with a point; where the
 * reader wants a comma, the point of every number becomes one, but not that of a setting's code, of
 * an address or of a name, which look alike and are none.
 *
 * @param mark the reader's decimal mark, a point or a comma
 * @param names what looks like a decimal number and is a code or part of a name, such as 2.01; with
 *     a unit behind it, it is a number all the same
 */
public record DecimalText(char mark, Set<String> names) {
  /** As it is written. */
  public static final DecimalText POINT = new DecimalText('.', Set.of());

  /** Not part of a word, of an address (192.168.0.1) or of a place (drive/2.01). */
  private static final Pattern DECIMAL =
      Pattern.compile("(?<![\\w.:])(?<![^\\d]/)\\d+\\.\\d+(?!\\w|\\.\\w)");

  /** Before the number of a clause or table that is cited, and before a version. */
  private static final Pattern CITED =
      Pattern.compile("\\b(?:(?:IEC|ISO|EN|IEEE) [\\w/-]+|table|[Ff]irmware(?: is)?|[Vv]ersion) $");

  private static final Pattern UNIT = Pattern.compile("\\G\\s?([%°Ω]|[\\p{L}][^\\s,;.)]*)");

  /** Takes a copy. */
  public DecimalText {
    names = Set.copyOf(names);
  }

  /** The text as the reader writes numbers. */
  public String of(String text) {
    if (mark == '.' || text.indexOf('.') < 0) {
      return text;
    }
    return DECIMAL
        .matcher(text)
        .replaceAll(
            number -> isNumber(text, number) ? number.group().replace('.', mark) : number.group());
  }

  private boolean isNumber(String text, MatchResult number) {
    if (CITED.matcher(text.substring(0, number.start())).find()) {
      return false;
    }
    if (!names.contains(number.group())) {
      return true;
    }
    Matcher unit = UNIT.matcher(text);
    return unit.find(number.end()) && isUnit(unit.group(1));
  }

  /** Only symbols as they are written: "a" is no ampere here, and "in" may be the word. */
  private static boolean isUnit(String word) {
    return !word.equals(MeasureUnit.INCH.symbol())
        && MeasureUnit.ofSymbol(word).filter(u -> u.symbol().equals(word)).isPresent();
  }

  /** What looks like a decimal number in a name. */
  public static Set<String> in(String name) {
    return DECIMAL
        .matcher(name)
        .results()
        .map(MatchResult::group)
        .collect(java.util.stream.Collectors.toUnmodifiableSet());
  }
}
