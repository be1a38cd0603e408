package unimotus.core.sequence;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;

/**
 * A sequence as people say it, a step after the other with semicolons or lines between: {@code jog
 * until home; 5 turns; wait 2 s; valve on until 'press is up' within 3 s; repeat}.
 */
public final class SequenceText {
  /** The forms of a step, as they are told where one is not understood. */
  public static final String FORMS =
      "jog [back] until INPUT, DISTANCE, move DISTANCE, move to POSITION, wait TIME, wait for INPUT,"
          + " OUTPUT on, OUTPUT off, OUTPUT on until INPUT, repeat, repeat N times,"
          + " keep NAME = DISTANCE, let NAME = DISTANCE, hand jog [back] while INPUT, hand OUTPUT while"
          + " INPUT; each INPUT may be 'not INPUT' and end with"
          + " within TIME";

  private static final Pattern VALUE =
      Pattern.compile("(keep|let)\\s+([\\p{L}][\\p{L}\\p{N} _-]*?)\\s*=\\s*(.+)");
  private static final Pattern HAND =
      Pattern.compile(
          "hand:?\\s+(?:(jog)(?:\\s+(back(?:wards?)?|forwards?))?|(.+?))\\s+while\\s+(.+)");
  private static final Pattern JOG =
      Pattern.compile("jog(\\s+(?:back(?:wards?)?|forwards?))?\\s+until\\s+(.+)");
  private static final Pattern WAIT_FOR = Pattern.compile("wait\\s+(?:for|until)\\s+(.+)");
  private static final Pattern WAIT = Pattern.compile("wait\\s+(.+)");
  private static final Pattern REPEAT = Pattern.compile("repeat(?:\\s+(\\d+)\\s+times)?");
  private static final Pattern SWITCH = Pattern.compile("(.+?)\\s+(on|off)(?:\\s+until\\s+(.+))?");
  private static final Pattern MOVE = Pattern.compile("(?:move\\s+)?(to\\s+)?(.+)");
  private static final Pattern WITHIN = Pattern.compile("(.+?)\\s+within\\s+(.+)");

  private final MeasureUnit unit;
  private final List<SequenceStep> steps = new ArrayList<>();
  private final Map<String, Double> values = new LinkedHashMap<>();
  private final Set<String> kept = new LinkedHashSet<>();
  private final List<HandCommand> byHand = new ArrayList<>();

  private SequenceText(MeasureUnit unit) {
    this.unit = unit;
  }

  /**
   * Reads a sequence.
   *
   * @param unit what distances are counted in
   * @throws IllegalArgumentException naming the step and what was expected
   */
  public static Sequence parse(String name, String text, MeasureUnit unit) {
    SequenceText read = new SequenceText(unit);
    int number = 0;
    for (String part : text.split("[;\\r\\n]+")) {
      String words = part.strip();
      if (!words.isEmpty() && !words.startsWith("#")) {
        number++;
        read.step(number, words);
      }
    }
    return new Sequence(name, read.steps, read.values, read.kept, read.byHand);
  }

  private void step(int number, String words) {
    try {
      Matcher value = VALUE.matcher(words);
      if (value.matches()) {
        value(value);
      } else if (HAND.matcher(words).matches()) {
        byHand.add(hand(words));
      } else {
        steps.add(step(words));
      }
    } catch (IllegalArgumentException wrong) {
      throw new IllegalArgumentException(
          "step %d, '%s': %s".formatted(number, words, wrong.getMessage()), wrong);
    }
  }

  private void value(Matcher value) {
    String name = value.group(2).strip();
    if (values.containsKey(name)) {
      throw new IllegalArgumentException("'%s' has a value already".formatted(name));
    }
    values.put(name, distance(value.group(3)));
    if (value.group(1).equals("keep")) {
      kept.add(name);
    }
  }

  private static HandCommand hand(String words) {
    Matcher hand = HAND.matcher(words);
    if (!hand.matches()) {
      throw new IllegalArgumentException("there is: " + FORMS);
    }
    String output = hand.group(1) == null ? unquoted(hand.group(3)) : null;
    boolean backward = hand.group(2) != null && hand.group(2).startsWith("back");
    return new HandCommand(unquoted(hand.group(4)), output, backward);
  }

  private SequenceStep step(String words) {
    Matcher jog = JOG.matcher(words);
    if (jog.matches()) {
      String way = jog.group(1) == null ? "" : jog.group(1).strip();
      return new SequenceStep.Jog(way.startsWith("back"), until(jog.group(2)));
    }
    Matcher waitFor = WAIT_FOR.matcher(words);
    if (waitFor.matches()) {
      return new SequenceStep.WaitFor(until(waitFor.group(1)));
    }
    Matcher wait = WAIT.matcher(words);
    if (wait.matches()) {
      return new SequenceStep.Wait(seconds("wait", wait.group(1)));
    }
    Matcher repeat = REPEAT.matcher(words);
    if (repeat.matches()) {
      return new SequenceStep.Repeat(times(repeat.group(1)));
    }
    Matcher output = SWITCH.matcher(words);
    if (output.matches()) {
      @Nullable Until until = output.group(3) == null ? null : until(output.group(3));
      return new SequenceStep.Switch(
          unquoted(output.group(1)), output.group(2).equals("on"), until);
    }
    return move(words);
  }

  private static int times(@Nullable String times) {
    if (times == null) {
      return 0;
    }
    try {
      int number = Integer.parseInt(times);
      if (number == 0) {
        throw new IllegalArgumentException("it is repeated once at least, not 0 times");
      }
      return number;
    } catch (NumberFormatException huge) {
      throw new IllegalArgumentException("'%s' times are too many".formatted(times), huge);
    }
  }

  private SequenceStep move(String words) {
    Matcher move = MOVE.matcher(words);
    if (!move.matches()) {
      throw new IllegalArgumentException("there is: " + FORMS);
    }
    String amount = move.group(2).strip();
    boolean absolute = move.group(1) != null;
    Double named = values.get(amount);
    if (named != null) {
      return new SequenceStep.Move(named, absolute, amount);
    }
    try {
      return new SequenceStep.Move(distance(amount), absolute, null);
    } catch (IllegalArgumentException unknown) {
      throw new IllegalArgumentException(
          "it is not understood (%s); there is: %s".formatted(unknown.getMessage(), FORMS),
          unknown);
    }
  }

  private double distance(String text) {
    String plain =
        text.strip()
            .replace('−', '-')
            .replaceAll("(?i)\\bturns?$", MeasureUnit.REVOLUTION.symbol())
            .replaceAll("(?i)\\b(pieces?|units?)$", "")
            .strip();
    return QuantityText.parseIn("distance", plain, unit);
  }

  private static double seconds(String what, String text) {
    return QuantityText.parseIn(what, text.strip(), MeasureUnit.SECOND_UNIT);
  }

  private static Until until(String words) {
    Matcher within = WITHIN.matcher(words);
    boolean limited = within.matches();
    String seen = (limited ? within.group(1) : words).strip();
    double limit = 0;
    if (limited) {
      limit = seconds("within", within.group(2));
      if (!(limit > 0)) {
        throw new IllegalArgumentException(
            "within: a time limit must be over 0 s, not %s".formatted(within.group(2).strip()));
      }
    }
    boolean holds = !seen.toLowerCase(Locale.ROOT).startsWith("not ");
    return new Until(unquoted(holds ? seen : seen.substring(4)), holds, limit);
  }

  private static String unquoted(String words) {
    return words.strip().replaceAll("^'(.*)'$", "$1").strip();
  }

  /** A step in words, as it can be read again. */
  public static String words(SequenceStep step, MeasureUnit unit) {
    if (step instanceof SequenceStep.Jog jog) {
      return (jog.backward() ? "jog back" : "jog") + " until " + words(jog.until());
    }
    if (step instanceof SequenceStep.Move move) {
      String amount =
          move.value() == null ? QuantityFormat.PLAIN.text(move.amount(), unit) : move.value();
      return (move.absolute() ? "move to " : "move ") + amount;
    }
    if (step instanceof SequenceStep.Wait wait) {
      return "wait " + time(wait.seconds());
    }
    if (step instanceof SequenceStep.WaitFor wait) {
      return "wait for " + words(wait.until());
    }
    if (step instanceof SequenceStep.Switch output) {
      String plain = "'%s' %s".formatted(output.output(), output.on() ? "on" : "off");
      return output.until() == null ? plain : plain + " until " + words(output.until());
    }
    int times = ((SequenceStep.Repeat) step).times();
    return times == 0 ? "repeat" : "repeat %d times".formatted(times);
  }

  private static String words(Until until) {
    String plain = (until.holds() ? "" : "not ") + "'%s'".formatted(until.input());
    return until.isLimited() ? plain + " within " + time(until.withinSeconds()) : plain;
  }

  private static String time(double seconds) {
    return QuantityFormat.PLAIN.text(seconds, MeasureUnit.SECOND_UNIT);
  }
}
