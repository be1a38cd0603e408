package unimotus.workbench.live;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.settings.CarriedSettings;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.devices.connection.NotDone;

/**
 * The settings a networked drive works with now, as far as its registers carry them.
 *
 * @param values what was read, by code
 * @param problems what a register is there for and cannot be used, a line each
 * @param missing why a setting was not asked for, by code
 */
public record OnlineSettings(
    Map<String, SettingValue> values, List<String> problems, Map<String, String> missing) {

  /** Takes copies. */
  public OnlineSettings {
    values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    problems = List.copyOf(problems);
    missing = Collections.unmodifiableMap(new LinkedHashMap<>(missing));
  }

  /** Is told how far the reading is. */
  public interface Progress {
    /** So many settings of so many have been asked for. */
    void at(int done, int all);
  }

  /**
   * Reads them over a link, a request at a time: a stop waits for one request at most.
   *
   * @throws NotDone where the drive falls silent before anything was read
   */
  static OnlineSettings read(LiveLink link, DriveSheet sheet, Progress progress) throws NotDone {
    CarriedSettings registers = CarriedSettings.of(sheet, link.values());
    return new Reading(link, sheet, registers, progress).read();
  }

  /** One pass over the registers. */
  private static final class Reading {
    private final LiveLink link;
    private final DriveSheet sheet;
    private final CarriedSettings registers;
    private final Progress progress;
    private final Map<String, SettingValue> values = new LinkedHashMap<>();
    private final List<String> problems;
    private int done;

    Reading(LiveLink link, DriveSheet sheet, CarriedSettings registers, Progress progress) {
      this.link = link;
      this.sheet = sheet;
      this.registers = registers;
      this.problems = new ArrayList<>(registers.unusable());
      this.progress = progress;
    }

    OnlineSettings read() throws NotDone {
      List<PlacedValue> wanted = List.copyOf(registers.carried().values());
      progress.at(0, wanted.size());
      for (List<PlacedValue> request : link.together(wanted)) {
        try {
          block(request);
        } catch (NotDone silent) {
          if (values.isEmpty()) {
            throw silent;
          }
          problems.add(
              "ended after %d of %d: %s".formatted(done, wanted.size(), silent.getMessage()));
          break;
        }
        progress.at(done, wanted.size());
      }
      return new OnlineSettings(values, problems, registers.missing());
    }

    /** A drive that refuses a block may still give its registers one by one. */
    private void block(List<PlacedValue> request) throws NotDone {
      List<String> refusals = new ArrayList<>();
      Map<PlacedValue, HeldValue> read = link.read(request, refusals);
      if (read.isEmpty() && request.size() > 1) {
        for (PlacedValue value : request) {
          block(List.of(value));
        }
        return;
      }
      for (PlacedValue value : request) {
        take(value, read.get(value), refusals);
      }
    }

    private void take(PlacedValue value, @Nullable HeldValue read, List<String> refusals) {
      done++;
      String code =
          registers.carried().entrySet().stream()
              .filter(c -> c.getValue().equals(value))
              .findFirst()
              .orElseThrow()
              .getKey();
      if (read == null) {
        problems.add("%s: the drive refuses %s".formatted(code, String.join("; ", refusals)));
        return;
      }
      try {
        values.put(code, CarriedSettings.value(sheet.setting(code).orElseThrow(), value, read));
      } catch (IllegalArgumentException odd) {
        problems.add(String.valueOf(odd.getMessage()));
      }
    }
  }
}
