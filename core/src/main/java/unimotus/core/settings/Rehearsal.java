package unimotus.core.settings;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.SettingValue;

/**
 * An order of entries tried on a virtual drive: what it took, what it refused, and what a late
 * entry wiped out.
 *
 * @param turns what came of each entry, in order
 * @param memory the drive afterwards
 * @param losses settings that do not stand as meant afterwards, with the reason
 * @param unread codes of settings that were neither read nor written: what they stand at is not
 *     known
 */
public record Rehearsal(
    List<Turn> turns, DriveMemory memory, List<Loss> losses, List<String> unread) {
  /** Between two entries by hand. */
  private static final double SECONDS_PER_ENTRY = 10;

  /**
   * One entry.
   *
   * @param code the setting
   * @param value its value
   * @param entered what came of it
   */
  public record Turn(String code, SettingValue value, DriveMemory.Entered entered) {}

  /**
   * A setting that does not stand as meant.
   *
   * @param code the setting
   * @param meant what it should be
   * @param is what it is
   * @param culprit the entry that rewrote it after it was right; null where it was never right
   * @param words why, in a sentence
   */
  public record Loss(
      String code, SettingValue meant, SettingValue is, @Nullable String culprit, String words) {}

  /** Takes copies. */
  public Rehearsal {
    turns = List.copyOf(turns);
    losses = List.copyOf(losses);
    unread = List.copyOf(unread);
  }

  /**
   * Tries an order. A setting that is wanted twice is entered twice, one after the other.
   *
   * @param from the drive before
   * @param entries code and value, in the order tried
   * @param meant what it should hold afterwards
   */
  public static Rehearsal of(
      DriveMemory from,
      List<Map.Entry<String, SettingValue>> entries,
      Map<String, SettingValue> meant) {
    DriveMemory at = from;
    List<Turn> turns = new ArrayList<>();
    Map<String, String> culprits = new LinkedHashMap<>();
    Map<String, String> refusals = new LinkedHashMap<>();
    double clock = 0;
    for (Map.Entry<String, SettingValue> entry : entries) {
      String code = entry.getKey();
      clock += SECONDS_PER_ENTRY;
      DriveMemory.Entered entered = at.enter(code, entry.getValue(), clock);
      if (entered.outcome() == DriveMemory.Outcome.ASKED_AGAIN) {
        clock += SECONDS_PER_ENTRY;
        entered = entered.next().enter(code, entry.getValue(), clock);
      }
      turns.add(new Turn(code, entry.getValue(), entered));
      note(code, entered, culprits, refusals);
      at = entered.next();
    }
    return new Rehearsal(turns, at, losses(at, meant, turns, culprits, refusals), at.unread(meant));
  }

  private static void note(
      String code,
      DriveMemory.Entered entered,
      Map<String, String> culprits,
      Map<String, String> refusals) {
    if (entered.outcome() == DriveMemory.Outcome.REFUSED) {
      refusals.put(code, entered.words());
      return;
    }
    culprits.remove(code);
    refusals.remove(code);
    entered.rewritten().keySet().forEach(c -> culprits.put(c, code));
  }

  private static List<Loss> losses(
      DriveMemory at,
      Map<String, SettingValue> meant,
      List<Turn> turns,
      Map<String, String> culprits,
      Map<String, String> refusals) {
    List<Loss> losses = new ArrayList<>();
    for (String code : at.differing(meant)) {
      String culprit = culprits.get(code);
      String words =
          culprit != null
              ? "rewritten by %s, entered after it".formatted(culprit)
              : refusals.getOrDefault(code, notMeant(code, turns));
      losses.add(new Loss(code, known(meant, code), known(at.values(), code), culprit, words));
    }
    return losses;
  }

  private static SettingValue known(Map<String, SettingValue> values, String code) {
    return Objects.requireNonNull(values.get(code), code);
  }

  private static String notMeant(String code, List<Turn> turns) {
    return turns.stream().anyMatch(t -> t.code().equals(code))
        ? "entered last with another value"
        : "not entered";
  }

  /** Whether everything is known to stand as meant. */
  public boolean holds() {
    return losses.isEmpty() && unread.isEmpty();
  }
}
