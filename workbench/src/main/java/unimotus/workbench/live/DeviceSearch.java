package unimotus.workbench.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.NoAnswer;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Route;
import unimotus.devices.registers.Target;
import unimotus.devices.serial.SerialSettings;

/**
 * Finds devices by asking: which unit numbers answer, and at which settings of a serial line. It
 * only reads.
 */
public final class DeviceSearch {
  private static final Request QUESTION = new Request.Read(3, 0, 1);
  private static final Request WHO = new Request.Identify(1, 0);

  private final int milliseconds;
  private final Progress progress;
  private final BooleanSupplier ended;

  /** Is told how far a search is. */
  public interface Progress {
    /** Some of all questions are asked; what is asked now, in words. */
    void at(int done, int all, String now);
  }

  /**
   * A device that answered.
   *
   * @param target where it is
   * @param evidence what it answered, in words
   * @param identity who it says it is; empty where it does not tell
   */
  public record Found(Target target, String evidence, String identity) {}

  /**
   * What came of a search.
   *
   * @param found who answered, in the order asked
   * @param noise answers that were no frames, in words: somebody is there, and speaks otherwise
   * @param trouble why it ended early; empty where it did not
   */
  public record Result(List<Found> found, List<String> noise, String trouble) {
    /** Takes copies. */
    public Result {
      found = List.copyOf(found);
      noise = List.copyOf(noise);
    }
  }

  /**
   * A search.
   *
   * @param milliseconds longest wait for each answer
   * @param ended asked before each question: whether to give up
   */
  public DeviceSearch(int milliseconds, Progress progress, BooleanSupplier ended) {
    this.milliseconds = milliseconds;
    this.progress = progress;
    this.ended = ended;
  }

  /** Asks unit numbers on one way, one after the other. */
  public Result units(Route route, int first, int last) {
    List<Integer> units = new ArrayList<>();
    for (int unit = first; unit <= last; unit++) {
      units.add(unit);
    }
    return search(List.of(route), units, false);
  }

  /**
   * Asks unit numbers at one setting of a serial line after the other, until one is answered.
   *
   * @param way the way at some settings
   */
  public Result settings(
      Function<SerialSettings, Route> way, List<SerialSettings> candidates, List<Integer> units) {
    return search(candidates.stream().map(way).toList(), units, true);
  }

  private Result search(List<Route> routes, List<Integer> units, boolean firstRouteOnly) {
    List<Found> found = new ArrayList<>();
    List<String> noise = new ArrayList<>();
    int done = 0;
    for (Route route : routes) {
      try (Client client = route.client(milliseconds)) {
        for (int unit : units) {
          if (ended.getAsBoolean()) {
            return new Result(found, noise, "ended before all were asked");
          }
          Target target = new Target(route, unit);
          progress.at(done++, routes.size() * units.size(), target.toString());
          ask(client, target, found, noise);
        }
      } catch (IOException broken) {
        return new Result(found, noise, "%s: %s".formatted(route, broken.getMessage()));
      }
      if (firstRouteOnly && !found.isEmpty()) {
        return new Result(found, noise, "");
      }
    }
    return new Result(found, noise, "");
  }

  private void ask(Client client, Target target, List<Found> found, List<String> noise)
      throws IOException {
    try {
      Response answer = client.ask(target.unit(), QUESTION);
      if (!isNobody(answer)) {
        found.add(new Found(target, words(answer), identity(client, target.unit())));
      }
    } catch (FrameFault garbled) {
      noise.add("%s: %s".formatted(target, garbled.getMessage()));
    } catch (NoAnswer silent) {
      // Silence answers the question: nobody is there.
      return;
    }
  }

  /** A gateway says that nobody is behind a number. */
  private static boolean isNobody(Response answer) {
    return answer instanceof Response.Refusal refusal
        && (refusal.code() == ExceptionCode.GATEWAY_TARGET_FAILED.code()
            || refusal.code() == ExceptionCode.GATEWAY_PATH_UNAVAILABLE.code());
  }

  private static String words(Response answer) {
    return answer instanceof Response.Refusal refusal
        ? "function 3 from 0 refused with %s: a device is there".formatted(refusal.words())
        : "function 3 from 0 answered %s".formatted(((Response.Values) answer).values());
  }

  private static String identity(Client client, int unit) throws IOException {
    try {
      return client.ask(unit, WHO) instanceof Response.Identity who
          ? String.join(", ", who.objects().values())
          : "";
    } catch (FrameFault | NoAnswer otherwise) {
      return "";
    }
  }
}
