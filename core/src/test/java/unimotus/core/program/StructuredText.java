package unimotus.core.program;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A function block in structured text, read by a grammar of its own and run scan by scan: the part
 * of IEC 61131-3 (from memory) that exported blocks use, with its types held strictly apart. It
 * shares no code with what writes them.
 *
 * <pre>
 * block       = FUNCTION_BLOCK name { section } { statement } END_FUNCTION_BLOCK [ located ]
 * located     = VAR_GLOBAL { name AT address ":" type ";" } END_VAR
 * section     = (VAR_INPUT | VAR_IN_OUT | VAR_OUTPUT | VAR) { name ":" type [ ":=" literal ] ";" } END_VAR
 * statement   = name ":=" expression ";" | name "(" name ":=" expression { "," … } ")" ";"
 *             | IF expression THEN { statement } { ELSIF … } [ ELSE … ] END_IF ";"
 * expression  = conjunction { OR conjunction }
 * conjunction = comparison { AND comparison }
 * comparison  = sum [ ("=" | "&lt;&gt;" | "&lt;" | "&gt;" | "&lt;=" | "&gt;=") sum ]
 * sum         = product { ("+" | "-") product }
 * product     = unary { ("*" | "/") unary }
 * unary       = [ NOT | "-" ] primary
 * </pre>
 */
public final class StructuredText {
  private static final Pattern TOKEN =
      Pattern.compile(
          "\\s+|\\(\\*.*?\\*\\)|(%[IQ][XBWD]\\d+(?:\\.\\d+)?|16#[0-9A-F]+|T#\\d+ms|\\d+\\.\\d+|\\d+|[A-Za-z](?:_?[A-Za-z0-9])*"
              + "|:=|<=|>=|<>|[-+*/=<>();:,.])",
          Pattern.DOTALL);
  private static final Set<String> TYPES =
      Set.of("BOOL", "WORD", "INT", "UINT", "DINT", "UDINT", "REAL", "TON", "TP", "AXIS_REF");

  /** A function block of a library, played by who runs the block. */
  public interface Played {
    /** A call with its inputs by name; times in milliseconds. */
    void call(Map<String, Object> inputs, long now);

    /** An output, a truth. */
    boolean is(String output);
  }

  private final Map<String, Played> played = new LinkedHashMap<>();
  private final Map<String, Function<String, Played>> library;

  /** A value with its type; numbers as double, words as int. */
  private record Value(String type, Object of) {}

  private interface Statement {
    void run();
  }

  /** A timer of the standard library. */
  private final class Timer {
    private final boolean pulse;
    private boolean wasIn;
    private long since = Long.MIN_VALUE;
    private boolean q;

    Timer(boolean pulse) {
      this.pulse = pulse;
    }

    void call(boolean in, long milliseconds) {
      if (pulse) {
        if (in && !wasIn && !q) {
          since = now;
        }
        q = since != Long.MIN_VALUE && now - since < milliseconds;
      } else {
        if (in && !wasIn) {
          since = now;
        }
        q = in && now - since >= milliseconds;
      }
      wasIn = in;
    }
  }

  private final List<String> tokens = new ArrayList<>();
  private final Map<String, String> types = new LinkedHashMap<>();
  private final Map<String, Object> values = new HashMap<>();
  private final Set<String> inputs = new LinkedHashSet<>();
  private final List<Statement> body = new ArrayList<>();
  private final String name;
  private int at;
  private long now;

  /** Reads a block. */
  public StructuredText(String text) {
    this(text, Map.of());
  }

  /** Reads a block that uses a library: makes what plays an instance of a type, by its name. */
  public StructuredText(String text, Map<String, Function<String, Played>> library) {
    this.library = library;
    Matcher matcher = TOKEN.matcher(text);
    int end = 0;
    while (matcher.find() && matcher.start() == end) {
      if (matcher.group(1) != null) {
        tokens.add(matcher.group(1));
      }
      end = matcher.end();
    }
    if (end != text.length()) {
      throw new IllegalArgumentException("no token: '%s'".formatted(text.substring(end)));
    }
    expect("FUNCTION_BLOCK");
    name = next();
    while (peek().startsWith("VAR")) {
      section();
    }
    while (!peek().equals("END_FUNCTION_BLOCK")) {
      body.add(statement());
    }
    expect("END_FUNCTION_BLOCK");
    if (take("VAR_GLOBAL")) {
      located();
    }
    if (at != tokens.size()) {
      throw new IllegalArgumentException("after the end: " + tokens.subList(at, tokens.size()));
    }
  }

  public String name() {
    return name;
  }

  /** One scan at a time in milliseconds. */
  public void scan(long milliseconds) {
    now = milliseconds;
    body.forEach(Statement::run);
  }

  public boolean is(String variable) {
    return (Boolean) get("BOOL", variable);
  }

  public double real(String variable) {
    return ((Number) get("REAL", variable)).doubleValue();
  }

  /** A word or a whole number. */
  public int whole(String variable) {
    return ((Number) values.get(known(variable))).intValue();
  }

  public boolean has(String variable) {
    return types.containsKey(variable);
  }

  public String type(String variable) {
    return types.get(known(variable));
  }

  public void put(String input, Object value) {
    if (!inputs.contains(input)) {
      throw new IllegalArgumentException(input + " is no input");
    }
    values.put(input, value);
  }

  private Object get(String type, String variable) {
    if (!types.get(known(variable)).equals(type)) {
      throw new IllegalArgumentException(variable + " is no " + type);
    }
    return values.get(variable);
  }

  private String known(String variable) {
    if (!types.containsKey(variable)) {
      throw new IllegalArgumentException("'%s' is not declared".formatted(variable));
    }
    return variable;
  }

  private String peek() {
    return at < tokens.size() ? tokens.get(at) : "";
  }

  private String next() {
    return tokens.get(at++);
  }

  private boolean take(String token) {
    boolean there = peek().equals(token);
    at += there ? 1 : 0;
    return there;
  }

  private void expect(String token) {
    if (!take(token)) {
      throw new IllegalArgumentException(
          "'%s' wanted, found '%s' after %s"
              .formatted(token, peek(), tokens.subList(Math.max(0, at - 6), at)));
    }
  }

  private void located() {
    while (!take("END_VAR")) {
      next();
      expect("AT");
      if (!next().startsWith("%")) {
        throw new IllegalArgumentException("no address");
      }
      expect(":");
      if (!TYPES.contains(next())) {
        throw new IllegalArgumentException("no type");
      }
      expect(";");
    }
  }

  private void section() {
    String kind = next();
    while (!take("END_VAR")) {
      String variable = next();
      expect(":");
      String type = next();
      if (library.containsKey(type)) {
        played.put(variable, library.get(type).apply(variable));
      } else if (!TYPES.contains(type)) {
        throw new IllegalArgumentException("type " + type);
      }
      if (types.put(variable, type) != null) {
        throw new IllegalArgumentException(variable + " is declared twice");
      }
      values.put(variable, initial(type));
      if (take(":=")) {
        Value value = primary().get();
        same(type, value.type());
        values.put(variable, value.of());
      }
      expect(";");
      if (kind.equals("VAR_INPUT")) {
        inputs.add(variable);
      }
    }
  }

  private Object initial(String type) {
    return switch (type) {
      case "BOOL" -> false;
      case "TON" -> new Timer(false);
      case "TP" -> new Timer(true);
      case "REAL" -> 0.0;
      default -> 0;
    };
  }

  private Statement statement() {
    if (take("IF")) {
      return choice();
    }
    String target = known(next());
    if (take("(")) {
      return call(target);
    }
    expect(":=");
    if (inputs.contains(target)) {
      throw new IllegalArgumentException("input %s is written".formatted(target));
    }
    Supplier<Value> value = expression();
    expect(";");
    same(types.get(target), value.get().type());
    return () -> values.put(target, value.get().of());
  }

  private Statement choice() {
    List<Supplier<Value>> conditions = new ArrayList<>();
    List<List<Statement>> blocks = new ArrayList<>();
    do {
      Supplier<Value> condition = expression();
      same("BOOL", condition.get().type());
      conditions.add(condition);
      expect("THEN");
      blocks.add(statements());
    } while (take("ELSIF"));
    List<Statement> otherwise = take("ELSE") ? statements() : List.of();
    expect("END_IF");
    expect(";");
    return () -> {
      for (int i = 0; i < conditions.size(); i++) {
        if ((Boolean) conditions.get(i).get().of()) {
          blocks.get(i).forEach(Statement::run);
          return;
        }
      }
      otherwise.forEach(Statement::run);
    };
  }

  private List<Statement> statements() {
    List<Statement> block = new ArrayList<>();
    while (!List.of("ELSIF", "ELSE", "END_IF").contains(peek())) {
      block.add(statement());
    }
    return block;
  }

  private Statement callPlayed(Played block) {
    Map<String, Supplier<Value>> given = new LinkedHashMap<>();
    do {
      String input = next();
      expect(":=");
      given.put(input, expression());
    } while (take(","));
    expect(")");
    expect(";");
    return () -> {
      Map<String, Object> now = new LinkedHashMap<>();
      given.forEach((input, value) -> now.put(input, value.get().of()));
      block.call(now, this.now);
    };
  }

  private Statement call(String target) {
    if (played.containsKey(target)) {
      return callPlayed(played.get(target));
    }
    expect("IN");
    expect(":=");
    Supplier<Value> in = expression();
    same("BOOL", in.get().type());
    expect(",");
    expect("PT");
    expect(":=");
    Supplier<Value> time = expression();
    same("TIME", time.get().type());
    expect(")");
    expect(";");
    return () -> ((Timer) values.get(target)).call((Boolean) in.get().of(), (Long) time.get().of());
  }

  private Supplier<Value> expression() {
    Supplier<Value> left = conjunction();
    while (take("OR")) {
      left = bits(left, conjunction(), false);
    }
    return left;
  }

  private Supplier<Value> conjunction() {
    Supplier<Value> left = comparison();
    while (take("AND")) {
      left = bits(left, comparison(), true);
    }
    return left;
  }

  /** Bit by bit on words, on truth as usual; both sides are of one type. */
  private Supplier<Value> bits(Supplier<Value> left, Supplier<Value> right, boolean and) {
    String type = left.get().type();
    same(type, right.get().type());
    if (type.equals("BOOL")) {
      return () -> {
        boolean a = (Boolean) left.get().of();
        boolean b = (Boolean) right.get().of();
        return new Value("BOOL", and ? a && b : a || b);
      };
    }
    same("WORD", type);
    return () -> {
      int a = (Integer) left.get().of();
      int b = (Integer) right.get().of();
      return new Value("WORD", and ? a & b : a | b);
    };
  }

  private Supplier<Value> comparison() {
    Supplier<Value> left = sum();
    String sign = peek();
    if (!List.of("=", "<>", "<", ">", "<=", ">=").contains(sign)) {
      return left;
    }
    next();
    Supplier<Value> right = sum();
    same(left.get().type(), right.get().type());
    return () -> {
      double a = ((Number) left.get().of()).doubleValue();
      double b = ((Number) right.get().of()).doubleValue();
      return new Value(
          "BOOL",
          switch (sign) {
            case "=" -> a == b;
            case "<>" -> a != b;
            case "<" -> a < b;
            case ">" -> a > b;
            case "<=" -> a <= b;
            default -> a >= b;
          });
    };
  }

  private Supplier<Value> sum() {
    Supplier<Value> left = product();
    while (peek().equals("+") || peek().equals("-")) {
      int sign = next().equals("+") ? 1 : -1;
      Supplier<Value> a = left;
      Supplier<Value> b = product();
      if (a.get().type().equals("INT")) {
        same("INT", b.get().type());
        left = () -> new Value("INT", (Integer) a.get().of() + sign * (Integer) b.get().of());
        continue;
      }
      same("REAL", a.get().type());
      same("REAL", b.get().type());
      left = () -> new Value("REAL", (Double) a.get().of() + sign * (Double) b.get().of());
    }
    return left;
  }

  private Supplier<Value> product() {
    Supplier<Value> left = unary();
    while (peek().equals("*") || peek().equals("/")) {
      boolean times = next().equals("*");
      Supplier<Value> a = left;
      Supplier<Value> b = unary();
      same("REAL", a.get().type());
      same("REAL", b.get().type());
      left =
          () -> {
            double x = (Double) a.get().of();
            double y = (Double) b.get().of();
            return new Value("REAL", times ? x * y : x / y);
          };
    }
    return left;
  }

  private Supplier<Value> unary() {
    if (take("NOT")) {
      Supplier<Value> of = primary();
      same("BOOL", of.get().type());
      return () -> new Value("BOOL", !(Boolean) of.get().of());
    }
    if (take("-")) {
      Supplier<Value> of = primary();
      same("REAL", of.get().type());
      return () -> new Value("REAL", -(Double) of.get().of());
    }
    return primary();
  }

  private Supplier<Value> primary() {
    if (take("(")) {
      Supplier<Value> inner = expression();
      expect(")");
      return inner;
    }
    String token = next();
    if (token.startsWith("16#")) {
      Value word = new Value("WORD", Integer.parseInt(token.substring(3), 16));
      return () -> word;
    }
    if (token.startsWith("T#")) {
      Value time = new Value("TIME", Long.parseLong(token.replaceAll("\\D", "")));
      return () -> time;
    }
    if (Character.isDigit(token.charAt(0))) {
      if (!token.contains(".")) {
        // A whole number; where a real is wanted, the types differ.
        Value whole = new Value("INT", Integer.parseInt(token));
        return () -> whole;
      }
      Value real = new Value("REAL", (double) Float.parseFloat(token));
      return () -> real;
    }
    if (token.equals("TRUE") || token.equals("FALSE")) {
      Value truth = new Value("BOOL", token.equals("TRUE"));
      return () -> truth;
    }
    if (take("(")) {
      return function(token);
    }
    known(token);
    if (played.containsKey(token)) {
      expect(".");
      String output = next();
      return () -> new Value("BOOL", played.get(token).is(output));
    }
    if (take(".")) {
      expect("Q");
      return () -> new Value("BOOL", ((Timer) values.get(token)).q);
    }
    return () -> new Value(types.get(token), values.get(token));
  }

  private Supplier<Value> function(String called) {
    List<Supplier<Value>> given = new ArrayList<>();
    do {
      given.add(expression());
    } while (take(","));
    expect(")");
    if (called.equals("LIMIT")) {
      given.forEach(g -> same("REAL", g.get().type()));
      return () ->
          new Value(
              "REAL",
              Math.min(
                  Math.max((Double) given.get(1).get().of(), (Double) given.get(0).get().of()),
                  (Double) given.get(2).get().of()));
    }
    String[] halves = called.split("_TO_");
    if (halves.length != 2 || given.size() != 1) {
      throw new IllegalArgumentException("function " + called);
    }
    same(halves[0], given.get(0).get().type());
    return halves[1].equals("REAL")
        ? () -> new Value("REAL", ((Number) given.get(0).get().of()).doubleValue())
        : () -> new Value(halves[1], (int) (long) Math.rint((Double) given.get(0).get().of()));
  }

  private static void same(String wanted, String found) {
    if (!wanted.equals(found)) {
      throw new IllegalArgumentException("%s where %s is wanted".formatted(found, wanted));
    }
  }
}
