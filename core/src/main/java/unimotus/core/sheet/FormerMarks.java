package unimotus.core.sheet;

import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Marks and positions that shipped sheets had before version 10 of the project file. Older files
 * are brought over by them, and evidence taken under an old mark stays evidence.
 */
public final class FormerMarks {
  private static final String RELAY_OUTPUTS = numbered("RO%d=Q%d RO%d.C=Q%d.C ", 6);
  private static final String WORDS = numbered("AI%d=IW%d AI%d-=IW%d- AO%d=AQ%d AO%d-=AQ%d- ", 2);
  private static final String DIGITAL_INPUTS = numbered("DI%d=I%d ", 8);

  /** Today's mark = the former one, by sheet. */
  private static final Map<String, Map<String, String>> MARKS =
      Map.ofEntries(
          sheet("controller-modular", "24V=L+ 0V=M " + numbered("AO%d-=AO%dM AI%d-=AI%dM ", 4)),
          sheet("controller-compact-relay", DIGITAL_INPUTS + RELAY_OUTPUTS + WORDS),
          sheet("controller-compact-sinking", DIGITAL_INPUTS + numbered("DS%d=Q%d ", 8) + WORDS),
          sheet("terminal-drive-4kw", "COM=DCM AG=ACM"),
          sheet("single-phase-drive-1k5", "COM=DCM AG=ACM"),
          sheet("safety-relay", "RES=S34"),
          sheet("safety-relay-plain", "RES=S34"),
          sheet("safety-relay-delayed", "RES=S34"),
          sheet("safety-relay-polarity", "RES=S34"));

  /** The raw full scale a channel of a controller was delivered with, by sheet. */
  private static final Map<String, String> FULL_SCALES =
      Map.of("controller-modular", "27648", "controller-compact-relay", "32000");

  private FormerMarks() {}

  /** The mark a terminal of a sheet had; the mark itself where it had no other. */
  public static String formerly(String sheet, String mark) {
    return MARKS.getOrDefault(sheet, Map.of()).getOrDefault(mark, mark);
  }

  /** The mark a terminal of a sheet has now, by its former one; unchanged where it kept it. */
  public static String now(String sheet, String former) {
    return MARKS.getOrDefault(sheet, Map.of()).entrySet().stream()
        .filter(e -> e.getValue().equals(former))
        .map(Map.Entry::getKey)
        .findFirst()
        .orElse(former);
  }

  /** The id of a switch now, by its former one: it begins with the mark of its channel. */
  public static String selectorNow(String sheet, String former) {
    return renamed(former, mark -> now(sheet, mark));
  }

  /**
   * Positions by switch as an older file wrote them: former names, and nothing of a full scale that
   * is what the channel was delivered with then. One that is left unsaid now is another, so it is
   * said: a digest must tell the two apart.
   */
  public static Map<String, String> selectorsFormerly(
      DeviceSheet sheet, Map<String, String> selectors) {
    Map<String, String> now = new TreeMap<>(selectors);
    String scale = FULL_SCALES.get(sheet.id());
    if (scale != null) {
      sheet.selectors().stream()
          .filter(s -> s.role() == SelectorRole.RAW_FULL_SCALE)
          .forEach(s -> now.putIfAbsent(s.id(), s.initial()));
      now.entrySet().removeIf(e -> isFullScale(e.getKey()) && e.getValue().equals(scale));
    }
    Map<String, String> former = new TreeMap<>();
    now.forEach((id, p) -> former.put(renamed(id, mark -> formerly(sheet.id(), mark)), p));
    return former;
  }

  /**
   * The positions of an older file with today's names, and every full scale it left unsaid as the
   * channel had it then.
   */
  public static Map<String, String> selectorsNow(DeviceSheet sheet, Map<String, String> former) {
    Map<String, String> now = new TreeMap<>();
    former.forEach((id, position) -> now.put(selectorNow(sheet.id(), id), position));
    String scale = FULL_SCALES.get(sheet.id());
    if (scale != null) {
      sheet.selectors().stream()
          .filter(s -> s.role() == SelectorRole.RAW_FULL_SCALE)
          .forEach(s -> now.putIfAbsent(s.id(), scale));
    }
    return now;
  }

  private static boolean isFullScale(String selector) {
    return selector.endsWith(".full-scale");
  }

  private static String renamed(String selector, Function<String, String> mark) {
    int dot = selector.lastIndexOf('.');
    return dot < 0 ? selector : mark.apply(selector.substring(0, dot)) + selector.substring(dot);
  }

  private static Map.Entry<String, Map<String, String>> sheet(String id, String pairs) {
    return Map.entry(
        id,
        Stream.of(pairs.trim().split(" +"))
            .map(p -> p.split("="))
            .collect(Collectors.toUnmodifiableMap(p -> p[0], p -> p[1])));
  }

  /** The pattern for each number from zero, every number in it the same. */
  private static String numbered(String pattern, int count) {
    StringBuilder all = new StringBuilder();
    for (int i = 0; i < count; i++) {
      all.append(pattern.replace("%d", Integer.toString(i)));
    }
    return all.toString();
  }
}
