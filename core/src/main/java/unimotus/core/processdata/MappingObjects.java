package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.esi.Direction;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.StartUpCommand;

/**
 * The objects by which a device is told its image, as they are written before SAFE-OP: first what
 * each process data object carries, then which of them are in the image; each list is closed with
 * 0, filled and opened with its length (CiA 301; ETG.1000.6, from memory).
 */
public final class MappingObjects {
  private static final String BEFORE_SAFE_OP = "PS";
  private static final int ASSIGN_OUTPUTS = 0x1C12;
  private static final int ASSIGN_INPUTS = 0x1C13;

  private MappingObjects() {}

  /** What is written for a station; empty where the device takes none of it. */
  public static List<StartUpCommand> of(StationSetup station) {
    List<StartUpCommand> commands = new ArrayList<>();
    Mailbox mailbox = station.device().mailbox();
    for (Direction direction : Direction.values()) {
      List<Pdo> pdos = station.assigned(direction);
      if (mailbox != null && mailbox.maps()) {
        pdos.stream().filter(p -> !p.fixed()).forEach(p -> map(p, commands));
      }
      if (mailbox != null && mailbox.assigns()) {
        assign(direction, pdos, commands);
      }
    }
    return commands;
  }

  private static void map(Pdo pdo, List<StartUpCommand> commands) {
    String name = "mapping of %s".formatted(pdo.name());
    commands.add(length(pdo.index(), 0, name + ", closed"));
    int subindex = 0;
    for (var entry : pdo.entries()) {
      subindex++;
      commands.add(
          StartUpCommand.number(
              BEFORE_SAFE_OP,
              pdo.index(),
              subindex,
              entry.mapping(),
              Integer.BYTES,
              entry.isPadding() ? "padding" : entry.name()));
    }
    commands.add(length(pdo.index(), subindex, name));
  }

  private static void assign(Direction direction, List<Pdo> pdos, List<StartUpCommand> commands) {
    int object = direction == Direction.OUTPUTS ? ASSIGN_OUTPUTS : ASSIGN_INPUTS;
    String name = "%s in the image".formatted(direction.label());
    commands.add(length(object, 0, name + ", closed"));
    int subindex = 0;
    for (Pdo pdo : pdos) {
      subindex++;
      commands.add(
          StartUpCommand.number(
              BEFORE_SAFE_OP, object, subindex, pdo.index(), Short.BYTES, pdo.name()));
    }
    commands.add(length(object, subindex, name));
  }

  private static StartUpCommand length(int object, int entries, String comment) {
    return StartUpCommand.number(BEFORE_SAFE_OP, object, 0, entries, 1, comment);
  }
}
