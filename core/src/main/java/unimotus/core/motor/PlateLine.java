package unimotus.core.motor;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.InductionPlate;

/**
 * A plate as it is printed, typed in one line: {@code 4 kW 230/400 V 14/8.05 A 50 Hz 1456 rpm cos
 * 0.81}. Numbers with a slash between them belong to the columns in their order.
 *
 * @param columns what the line says, a column each; empty where too little is there
 * @param notes what followed from something else, and what is missing
 */
public record PlateLine(List<PlateColumn> columns, List<String> notes) {
  private static final double WATTS_PER_HORSEPOWER = 745.6998715822702;

  private static final String NUMBER = "(?:[0-9]+(?:[.,][0-9]+)?|[.,][0-9]+)";

  /** A number, a whole number with a fraction behind it, or several with slashes between. */
  private static final String NUMBERS =
      "((?:[0-9]+ +[1-7]/[2-8]|%1$s(?: */ *%1$s)*))".formatted(NUMBER);

  /** Half a horsepower and the like: a fraction, not two columns. */
  private static final Pattern FRACTION = Pattern.compile("(?:([0-9]+) +)?([1-7])/([2-8])");

  /** Where a comma could stand for thousands. */
  private static final Pattern THOUSANDS = Pattern.compile("[1-9][0-9]{0,2},[0-9]{3}");

  /** What plates say besides, none of it used here. */
  private static final Pattern BESIDES =
      Pattern.compile(
          "\\b(?:IP *[0-9]{2}|IE *[1-5]|S[1-9]|3 *(?:~|ph(?:ase)?s?\\b)|mot(?:or)?\\b|[0-9]+ *poles?\\b"
              + "|cl(?:ass)?\\.? *[BFH]\\b|[0-9]{2,3} *[SML][0-9]?\\b|IEC *60034(?:-[0-9]+)?)|3~|[ΔYyD]/?[ΔYyD]?|[-–/,;|=:()]");

  /** What a plate says, and how it is told from other numbers. */
  private enum Item {
    POWER("power", NUMBERS + " *(kw|hp|ps|w)\\b"),
    VOLTAGE("voltage", NUMBERS + " *v\\b"),
    CURRENT("current", NUMBERS + " *a\\b"),
    FREQUENCY("frequency", NUMBERS + " *hz\\b"),
    SPEED("speed", NUMBERS + " *(?:rpm|r/min|min-1|min⁻¹|/min|1/min)"),
    FACTOR("cos φ", "(?:cos *(?:phi|φ|ϕ)?|pf) *[=:]? *" + NUMBERS),
    SERVICE("service factor", "(?:sf|s\\.f\\.) *[=:]? *" + NUMBERS),
    EFFICIENCY("efficiency", "(?:eff\\.?|eta|η|ie[1-4]) *[-–=:]? *" + NUMBERS + " *%");

    private final String label;
    private final Pattern pattern;

    Item(String label, String pattern) {
      this.label = label;
      this.pattern = Pattern.compile(pattern, Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    }
  }

  /** Takes copies. */
  public PlateLine {
    columns = List.copyOf(columns);
    notes = List.copyOf(notes);
  }

  /**
   * Reads a line.
   *
   * @param before the plate before: what the line does not say about inertia and service factor
   *     stays
   * @throws IllegalArgumentException where a number is impossible, naming it
   */
  public static PlateLine read(String line, InductionPlate before) {
    Map<Item, List<Double>> found = new EnumMap<>(Item.class);
    String rest = line;
    for (Item item : Item.values()) {
      Matcher matcher = item.pattern.matcher(line);
      if (matcher.find()) {
        found.put(item, numbers(item, matcher));
        rest = rest.replace(matcher.group(), " ");
      }
    }
    PlateLine read = new Reader(found, before).columns();
    String left = BESIDES.matcher(rest).replaceAll(" ").strip().replaceAll(" +", " ");
    if (!left.matches(".*[0-9].*")) {
      return read;
    }
    List<String> notes = new ArrayList<>(read.notes());
    notes.add("not understood and left out: '%s'".formatted(left));
    return new PlateLine(read.columns(), notes);
  }

  private static List<Double> numbers(Item item, Matcher matcher) {
    double factor = item == Item.POWER ? watts(matcher.group(2)) : 1;
    String text = matcher.group(1).strip();
    Matcher fraction = FRACTION.matcher(text);
    if (item == Item.POWER && fraction.matches() && isProper(fraction)) {
      double whole = fraction.group(1) == null ? 0 : Double.parseDouble(fraction.group(1));
      return List.of(
          factor
              * (whole
                  + Double.parseDouble(fraction.group(2)) / Double.parseDouble(fraction.group(3))));
    }
    List<Double> numbers = new ArrayList<>();
    for (String number : text.split("/")) {
      String one = number.strip();
      if (THOUSANDS.matcher(one).matches()) {
        throw new IllegalArgumentException(
            "%s: '%s' can mean %s or %s; write it without a thousands mark"
                .formatted(item.label, one, one.replace(",", ""), one.replace(',', '.')));
      }
      numbers.add(factor * Double.parseDouble("0" + one.replace(',', '.')));
    }
    return numbers;
  }

  private static boolean isProper(Matcher fraction) {
    return Integer.parseInt(fraction.group(2)) < Integer.parseInt(fraction.group(3));
  }

  private static double watts(String unit) {
    return switch (unit.toLowerCase(Locale.ROOT)) {
      case "kw" -> 1000;
      case "hp" -> WATTS_PER_HORSEPOWER;
      case "ps" -> 735.49875;
      default -> 1;
    };
  }

  /** Divides what was found into columns and fills what follows. */
  private static final class Reader {
    private final Map<Item, List<Double>> found;
    private final InductionPlate before;
    private final List<String> notes = new ArrayList<>();

    Reader(Map<Item, List<Double>> found, InductionPlate before) {
      this.found = found;
      this.before = before;
    }

    PlateLine columns() {
      for (Item needed : List.of(Item.POWER, Item.VOLTAGE, Item.FREQUENCY, Item.SPEED)) {
        if (!found.containsKey(needed)) {
          notes.add(needed.label + " is not on the line and does not follow from anything else");
        }
      }
      if (!found.containsKey(Item.CURRENT) && !found.containsKey(Item.FACTOR)) {
        notes.add("of current and cos φ one at least is needed");
      }
      if (!notes.isEmpty()) {
        return new PlateLine(List.of(), notes);
      }
      int count = found.values().stream().mapToInt(List::size).max().orElse(1);
      List<PlateColumn> columns = new ArrayList<>();
      for (int i = 0; i < count; i++) {
        columns.add(new PlateColumn(connection(i), plate(i)));
      }
      return new PlateLine(columns, notes.stream().distinct().toList());
    }

    /** Two voltages of the ratio √3 are delta and star. */
    private @Nullable Connection connection(int column) {
      List<Double> volts = values(Item.VOLTAGE);
      if (volts.size() != 2) {
        return null;
      }
      double ratio = volts.get(1) / volts.get(0);
      if (ratio > 1.65 && ratio < 1.8) {
        return column == 0 ? Connection.DELTA : Connection.STAR;
      }
      return ratio > 0.55 && ratio < 0.61 ? column == 0 ? Connection.STAR : Connection.DELTA : null;
    }

    private List<Double> values(Item item) {
      return found.getOrDefault(item, List.of());
    }

    private double at(Item item, int column) {
      List<Double> values = values(item);
      if (values.size() > 1 && column >= values.size()) {
        throw new IllegalArgumentException(
            "plate: %s has %d values, other lines of the plate have more"
                .formatted(item.label, values.size()));
      }
      return values.get(values.size() == 1 ? 0 : column);
    }

    private InductionPlate plate(int column) {
      double power = at(Item.POWER, column);
      double volts = at(Item.VOLTAGE, column);
      double amperes = found.containsKey(Item.CURRENT) ? at(Item.CURRENT, column) : Double.NaN;
      double factor = found.containsKey(Item.FACTOR) ? at(Item.FACTOR, column) : Double.NaN;
      double speed = at(Item.SPEED, column);
      double hertz = at(Item.FREQUENCY, column);
      if (Double.isNaN(amperes) || Double.isNaN(factor)) {
        double efficiency = efficiency(power, hertz, speed, column);
        if (Double.isNaN(amperes)) {
          amperes = MotorFormulas.currentAmperes(power, volts, factor, efficiency);
          notes.add("current follows from power, voltage, cos φ and efficiency");
        } else {
          factor = power / (Math.sqrt(3) * volts * amperes * efficiency);
          notes.add("cos φ follows from power, voltage, current and efficiency");
        }
      }
      double service =
          found.containsKey(Item.SERVICE) ? at(Item.SERVICE, column) : before.serviceFactor();
      return new InductionPlate(
          power, volts, amperes, hertz, speed, factor, service, before.inertiaKgM2());
    }

    private double efficiency(double power, double hertz, double speed, int column) {
      if (found.containsKey(Item.EFFICIENCY)) {
        return at(Item.EFFICIENCY, column) / 100;
      }
      int poles = MotorFormulas.poles(hertz, speed);
      notes.add("efficiency is not on the line: class IE2 of that size taken");
      return EfficiencyClass.IE2.limit(power, poles).orElse(0.85);
    }
  }
}
