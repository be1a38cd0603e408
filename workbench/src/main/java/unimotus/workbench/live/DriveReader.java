package unimotus.workbench.live;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.fieldbus.ReadRequest;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.profile.WordProfile;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.Gate;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;

/** Asks one drive: its whole map in the fewest requests, who it is, and anything else. */
final class DriveReader implements AutoCloseable {
  private final Target target;
  private final RegisterMap map;
  private final WordProfile profile;
  private final Client client;
  private final List<ReadRequest> requests;

  /** A reader that takes the client as its own. */
  DriveReader(Target target, RegisterMap map, WordProfile profile, Client client) {
    this.target = target;
    this.map = map;
    this.profile = profile;
    this.client = client;
    this.requests = ReadRequest.fewest(map.entries(), 0);
  }

  List<String> identity() throws NotDone {
    Response answer = ask(new Request.Identify(1, 0));
    return List.copyOf(((Response.Identity) answer).objects().values());
  }

  Sample read() throws NotDone {
    Map<RegisterEntry, List<Integer>> words = new LinkedHashMap<>();
    List<String> refusals = new ArrayList<>();
    for (ReadRequest request : requests) {
      words.putAll(read(request, refusals));
    }
    if (words.isEmpty() && !refusals.isEmpty()) {
      throw new NotDone("%s refused: %s".formatted(target, String.join("; ", refusals)));
    }
    return sample(words, refusals);
  }

  /**
   * The words of the entries of a request; none, and a line more in refusals, where it is refused.
   */
  Map<RegisterEntry, List<Integer>> read(ReadRequest request, List<String> refusals)
      throws NotDone {
    int function = request.table().readFunction();
    Response answer =
        exchange(new Request.Read(function, request.address(), request.count()), Gate.OPEN);
    if (answer instanceof Response.Refusal refusal) {
      refusals.add(
          "%s %d to %d: %s"
              .formatted(
                  request.table().label(), request.address(), request.end() - 1, refusal.words()));
      return Map.of();
    }
    List<Integer> values = ((Response.Values) answer).values();
    Map<RegisterEntry, List<Integer>> words = new LinkedHashMap<>();
    for (RegisterEntry entry : request.entries()) {
      int from = entry.address() - request.address();
      words.put(entry, values.subList(from, from + entry.type().words()));
    }
    return words;
  }

  private Sample sample(Map<RegisterEntry, List<Integer>> read, List<String> refusals) {
    Map<RegisterEntry, List<Integer>> ordered = new LinkedHashMap<>();
    map.entries().stream()
        .filter(read::containsKey)
        .forEach(e -> ordered.put(e, List.copyOf(read.get(e))));
    Sample bare = new Sample(ordered, Optional.empty(), refusals);
    OptionalDouble status = bare.value(RegisterRole.STATUS_WORD);
    return status.isEmpty()
        ? bare
        : new Sample(ordered, profile.shown((int) status.getAsDouble()), refusals);
  }

  private Response exchange(Request request, Gate gate) throws NotDone {
    try {
      return client.ask(target.unit(), request, gate);
    } catch (IOException | FrameFault broken) {
      throw new NotDone("%s: %s".formatted(target, broken.getMessage()));
    }
  }

  /** The answer to a request; a refusal is not done. */
  Response ask(Request request) throws NotDone {
    return ask(request, Gate.OPEN);
  }

  /** The answer to a request that a gate lets out; a refusal is not done. */
  Response ask(Request request, Gate gate) throws NotDone {
    Response answer = exchange(request, gate);
    if (answer instanceof Response.Refusal refusal) {
      throw new NotDone("%s refused: %s".formatted(target, refusal.words()));
    }
    return answer;
  }

  @Override
  public void close() throws IOException {
    client.close();
  }
}
