package unimotus.workbench.live;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.profile.WordProfile;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.connection.NotDone;

/** Reads all values of a drive at once, and finds the one of a role. */
final class Sampler {
  private final DriveConnection connection;
  private final WordProfile profile;
  private final List<PlacedValue> values;
  private final List<List<PlacedValue>> requests;

  Sampler(DriveConnection connection, WordProfile profile) {
    this.connection = connection;
    this.profile = profile;
    this.values = connection.values();
    this.requests = connection.together(values);
  }

  /** The first value of a role; empty where there is none. */
  Optional<PlacedValue> value(ValueRole role) {
    return values.stream().filter(v -> v.value().role() == role).findFirst();
  }

  /** The first value of a role that is needed. */
  PlacedValue needed(ValueRole role) throws NotDone {
    return value(role)
        .orElseThrow(
            () ->
                new NotDone(
                    "no value of the drive has the role '%s': give it to a register, or take it into the image"
                        .formatted(role.label())));
  }

  /**
   * Reads all of them.
   *
   * @throws NotDone where the drive does not answer, answers otherwise than asked, or refuses
   *     everything
   */
  Sample read() throws NotDone {
    Map<PlacedValue, HeldValue> read = new LinkedHashMap<>();
    List<String> refusals = new ArrayList<>();
    for (List<PlacedValue> request : requests) {
      read.putAll(connection.read(request, refusals));
    }
    if (read.isEmpty() && !refusals.isEmpty()) {
      throw new NotDone("%s refused: %s".formatted(connection, String.join("; ", refusals)));
    }
    return sample(read, refusals);
  }

  private Sample sample(Map<PlacedValue, HeldValue> read, List<String> refusals) {
    Map<PlacedValue, HeldValue> ordered = new LinkedHashMap<>();
    values.stream().filter(read::containsKey).forEach(v -> ordered.put(v, read.get(v)));
    Sample bare = new Sample(ordered, Optional.empty(), refusals);
    OptionalDouble status = bare.value(ValueRole.STATUS_WORD);
    return status.isEmpty()
        ? bare
        : new Sample(ordered, profile.shown((int) status.getAsDouble()), refusals);
  }
}
