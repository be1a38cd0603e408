package unimotus.devices.registers;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import unimotus.core.fieldbus.ReadRequest;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.profile.Words;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Tap;

/** A drive reached through the registers of its map, in the fewest requests. */
public final class RegisterConnection implements DriveConnection {
  private static final int TIMEOUT_MILLISECONDS = 1000;

  private final Target target;
  private final RegisterMap map;
  private final Supplier<Client> clients;
  private final Client client;
  private final boolean isPositioned;

  /**
   * A connection over clients made by somebody else.
   *
   * @param clients gives a client of its own each time
   */
  public RegisterConnection(Target target, RegisterMap map, Supplier<Client> clients) {
    this(target, map, clients, clients.get(), map.entry(ValueRole.TARGET_POSITION).isPresent());
  }

  private RegisterConnection(
      Target target,
      RegisterMap map,
      Supplier<Client> clients,
      Client client,
      boolean isPositioned) {
    this.target = target;
    this.map = map;
    this.clients = clients;
    this.client = client;
    this.isPositioned = isPositioned;
  }

  /** A connection whose frames are looked at. */
  public static RegisterConnection to(Target target, RegisterMap map, Tap tap) {
    return new RegisterConnection(
        target, map, () -> target.route().client(TIMEOUT_MILLISECONDS, tap));
  }

  /** The same way to a positioning axis, whatever its registers are called. */
  public RegisterConnection ofPositions() {
    return new RegisterConnection(target, map, clients, client, true);
  }

  /** A target that stands in a register from before would be run to as soon as it is enabled. */
  @Override
  public Optional<String> readOnly() {
    return isPositioned
        ? Optional.of(
            "a positioning axis over registers is read, not commanded: what stands in its target position from before would count as soon as it is enabled")
        : Optional.empty();
  }

  @Override
  public List<PlacedValue> values() {
    return List.copyOf(map.entries());
  }

  @Override
  public List<List<PlacedValue>> together(List<? extends PlacedValue> wanted) {
    return ReadRequest.fewest(wanted.stream().map(RegisterConnection::entry).toList(), 0).stream()
        .map(request -> List.<PlacedValue>copyOf(request.entries()))
        .toList();
  }

  private static RegisterEntry entry(PlacedValue value) {
    if (value instanceof RegisterEntry entry) {
      return entry;
    }
    throw new IllegalArgumentException("%s stands in no register".formatted(value.value().name()));
  }

  @Override
  public Map<PlacedValue, HeldValue> read(List<PlacedValue> together, List<String> refusals)
      throws NotDone {
    ReadRequest request = ReadRequest.of(together.stream().map(RegisterConnection::entry).toList());
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
    Map<PlacedValue, HeldValue> read = new LinkedHashMap<>();
    for (RegisterEntry entry : request.entries()) {
      int from = entry.address() - request.address();
      read.put(
          entry,
          entry.read(
              values.subList(from, from + entry.type().words()).stream()
                  .mapToInt(w -> w)
                  .toArray()));
    }
    return read;
  }

  @Override
  public String write(PlacedValue value, double number, Gate gate) throws NotDone {
    RegisterEntry entry = entry(value);
    int[] words;
    try {
      words = entry.words(number);
    } catch (IllegalArgumentException outside) {
      throw new NotDone(String.valueOf(outside.getMessage()));
    }
    ask(request(entry, words), gate);
    return Arrays.stream(words).mapToObj(Words::hex).collect(Collectors.joining(" "));
  }

  private static Request request(RegisterEntry entry, int[] words) {
    if (entry.table() == RegisterTable.COIL) {
      return new Request.WriteOne(5, entry.address(), words[0]);
    }
    if (words.length == 1) {
      return new Request.WriteOne(6, entry.address(), words[0]);
    }
    List<Integer> values = new ArrayList<>();
    for (int word : words) {
      values.add(word);
    }
    return new Request.WriteMany(16, entry.address(), values);
  }

  @Override
  public List<String> identity() throws NotDone {
    Response answer = ask(new Request.Identify(1, 0), Gate.OPEN);
    return List.copyOf(((Response.Identity) answer).objects().values());
  }

  @Override
  public Optional<DriveConnection> beside() {
    return target.route().isShared()
        ? Optional.of(new RegisterConnection(target, map, clients))
        : Optional.empty();
  }

  private Response exchange(Request request, Gate gate) throws NotDone {
    try {
      return client.ask(target.unit(), request, gate);
    } catch (IOException | FrameFault broken) {
      throw new NotDone("%s: %s".formatted(target, broken.getMessage()));
    }
  }

  /** The answer to a request that a gate lets out; a refusal is not done. */
  private Response ask(Request request, Gate gate) throws NotDone {
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

  @Override
  public String toString() {
    return target.toString();
  }
}
