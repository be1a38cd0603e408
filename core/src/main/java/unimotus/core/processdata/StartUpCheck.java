package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.Slots;
import unimotus.core.esi.StartUpCommand;

/**
 * A start-up list looked over: what the device would answer to each command at every power-up.
 *
 * @param rows the commands in their order
 */
public record StartUpCheck(List<Row> rows) {
  private static final int FIRST_MAPPING = 0x1600;
  private static final int LAST_MAPPING = 0x1BFF;

  /** Numbers of plain types stand for gaps of their length. */
  private static final int LAST_DUMMY = 0x1F;

  private static final int ASSIGN_OUTPUTS = 0x1C12;
  private static final int ASSIGN_INPUTS = 0x1C13;

  /**
   * One command.
   *
   * @param number its place in the list, from 1
   * @param command what is written
   * @param verdict what comes of it
   * @param abort what the device would answer; null where it takes it, or cannot answer at all
   * @param why the numbers behind it; empty where nothing is to be said
   */
  public record Row(
      int number,
      StartUpCommand command,
      Verdict verdict,
      @Nullable ObjectAbort abort,
      String why) {

    /** Whether it tells the device its image. */
    public boolean isOfImage() {
      return Check.isMapping(command.index());
    }
  }

  /** What comes of a command. */
  public enum Verdict {
    TAKEN("taken"),
    /** The description does not say enough. */
    UNKNOWN("undetermined"),
    REFUSED("refused");

    private final String label;

    Verdict(String label) {
      this.label = label;
    }

    /** The word shown. */
    public String label() {
      return label;
    }
  }

  /** Takes a copy. */
  public StartUpCheck {
    rows = List.copyOf(rows);
  }

  /** Commands that would be refused. */
  public List<Row> refused() {
    return rows.stream().filter(r -> r.verdict() == Verdict.REFUSED).toList();
  }

  /** Commands of which the description does not say enough. */
  public List<Row> undetermined() {
    return rows.stream().filter(r -> r.verdict() == Verdict.UNKNOWN).toList();
  }

  /** Looks over a list for a station. */
  public static StartUpCheck of(StationSetup station, List<StartUpCommand> commands) {
    return new Check(station).of(commands);
  }

  /** The check, with what earlier commands have left behind. */
  private static final class Check {
    private final StationSetup station;
    private final ObjectDictionary known;

    /** The lengths that lists of mappings stand at; they can be filled only while it is 0. */
    private final Map<Integer, Long> open = new HashMap<>();

    Check(StationSetup station) {
      this.station = station;
      this.known = dictionary(station);
    }

    StartUpCheck of(List<StartUpCommand> commands) {
      List<Row> rows = new ArrayList<>();
      for (StartUpCommand command : commands) {
        rows.add(row(rows.size() + 1, command));
      }
      return new StartUpCheck(rows);
    }

    private Row row(int number, StartUpCommand command) {
      Mailbox mailbox = station.device().mailbox();
      if (mailbox == null || !mailbox.objects()) {
        return new Row(
            number, command, Verdict.REFUSED, null, "the device has no mailbox for objects");
      }
      if (known.isEmpty()) {
        return new Row(
            number, command, Verdict.UNKNOWN, null, "the description has no object dictionary");
      }
      Optional<DictionaryObject> object = known.object(command.index());
      if (object.isEmpty()) {
        return refused(
            number,
            command,
            ObjectAbort.NO_OBJECT,
            "the description has no object 0x%04X".formatted(command.index()));
      }
      Optional<ObjectPart> part = object.get().part(command.subindex());
      if (part.isEmpty()) {
        return refused(
            number,
            command,
            ObjectAbort.NO_SUBINDEX,
            "%s has subindexes %d to %d"
                .formatted(
                    object.get().name(),
                    object.get().parts().stream().mapToInt(ObjectPart::subindex).min().orElse(0),
                    object.get().parts().stream().mapToInt(ObjectPart::subindex).max().orElse(0)));
      }
      return row(number, command, part.get());
    }

    private Row row(int number, StartUpCommand command, ObjectPart part) {
      if (!part.access().isWritable()) {
        return refused(
            number, command, ObjectAbort.READ_ONLY, "%s can only be read".formatted(part.name()));
      }
      int bytes = (part.bitLength() + Byte.SIZE - 1) / Byte.SIZE;
      if (bytes > Long.BYTES && command.bytes() < bytes) {
        return new Row(
            number,
            command,
            Verdict.UNKNOWN,
            null,
            "%d bytes are written; %s (%s) has %d, and not every device takes fewer"
                .formatted(command.bytes(), part.name(), part.dataType(), bytes));
      }
      if (bytes > 0 && command.bytes() != bytes) {
        return refused(
            number,
            command,
            command.bytes() > bytes ? ObjectAbort.TOO_LONG : ObjectAbort.TOO_SHORT,
            "%d bytes are written; %s (%s) has %d"
                .formatted(command.bytes(), part.name(), part.dataType(), bytes));
      }
      return bytes > Long.BYTES
          ? new Row(number, command, Verdict.TAKEN, null, "")
          : ofValue(number, command, part);
    }

    private Row ofValue(int number, StartUpCommand command, ObjectPart part) {
      long value = value(command, part);
      Long least = part.least();
      Long most = part.most();
      if (most != null && value > most) {
        return refused(
            number, command, ObjectAbort.TOO_HIGH, "%d is above %d".formatted(value, most));
      }
      if (least != null && value < least) {
        return refused(
            number, command, ObjectAbort.TOO_LOW, "%d is below %d".formatted(value, least));
      }
      return isMapping(command.index())
          ? ofMapping(number, command)
          : new Row(number, command, Verdict.TAKEN, null, "");
    }

    private static long value(StartUpCommand command, ObjectPart part) {
      int above = Long.SIZE - Byte.SIZE * command.bytes();
      long number = command.number();
      return part.isSigned() && above > 0 ? number << above >> above : number;
    }

    private static boolean isMapping(int index) {
      return index == ASSIGN_OUTPUTS
          || index == ASSIGN_INPUTS
          || (index >= FIRST_MAPPING && index <= LAST_MAPPING);
    }

    /** The image can be told in PRE-OP only, and a list be filled only while its length is 0. */
    private Row ofMapping(int number, StartUpCommand command) {
      if (!command.transition().equals("PS") && !command.transition().equals("IP")) {
        return refused(
            number,
            command,
            ObjectAbort.WRONG_STATE,
            "the image is told on the way to SAFE-OP (PS), not at %s"
                .formatted(command.transition()));
      }
      if (command.subindex() == 0) {
        open.put(command.index(), command.number());
        return new Row(number, command, Verdict.TAKEN, null, "");
      }
      Long length = open.get(command.index());
      if (length == null || length != 0) {
        return refused(
            number,
            command,
            ObjectAbort.NOT_CLOSED,
            "0x%04X:0 is not set to 0 before".formatted(command.index()));
      }
      return command.index() <= LAST_MAPPING
          ? ofMapped(number, command)
          : ofAssigned(number, command);
    }

    /** What is assigned has to be a process data object of that direction. */
    private Row ofAssigned(int number, StartUpCommand command) {
      Direction direction =
          command.index() == ASSIGN_OUTPUTS ? Direction.OUTPUTS : Direction.INPUTS;
      boolean isThere =
          station.available().stream()
              .anyMatch(p -> p.index() == command.number() && p.direction() == direction);
      return isThere
          ? new Row(number, command, Verdict.TAKEN, null, "")
          : refused(
              number,
              command,
              ObjectAbort.RANGE,
              "0x%04X is no process data object for %s"
                  .formatted(command.number(), direction.label()));
    }

    /** What is put into the image: index, subindex and bits in one number; index 0 is padding. */
    private Row ofMapped(int number, StartUpCommand command) {
      int index = (int) (command.number() >>> Short.SIZE);
      int subindex = (int) (command.number() >>> Byte.SIZE & 0xFF);
      if (index <= LAST_DUMMY) {
        return new Row(number, command, Verdict.TAKEN, null, "");
      }
      String mapped = "0x%04X:%d".formatted(index, subindex);
      Optional<ObjectPart> part = known.object(index).flatMap(o -> o.part(subindex));
      if (part.isEmpty()) {
        return refused(
            number,
            command,
            ObjectAbort.NO_OBJECT,
            "%s is to be mapped and not there".formatted(mapped));
      }
      return part.get().mappable()
          ? new Row(number, command, Verdict.TAKEN, null, "")
          : refused(
              number,
              command,
              ObjectAbort.NOT_MAPPABLE,
              "%s, %s".formatted(mapped, part.get().name()));
    }

    private static Row refused(int number, StartUpCommand command, ObjectAbort abort, String why) {
      return new Row(number, command, Verdict.REFUSED, abort, why);
    }
  }

  /** The number a command writes, with the sign its object has; without one where none is known. */
  public static long value(ObjectDictionary known, StartUpCommand command) {
    return known
        .object(command.index())
        .flatMap(o -> o.part(command.subindex()))
        .map(p -> Check.value(command, p))
        .orElseGet(command::number);
  }

  /** The objects of a station: those of the device, and of its modules with their numbers there. */
  public static ObjectDictionary dictionary(StationSetup station) {
    List<DictionaryObject> all = new ArrayList<>(station.device().dictionary().objects());
    Slots slots = station.device().slots();
    for (int slot = 0; slot < station.modules().size(); slot++) {
      EsiModule module = station.modules().get(slot);
      if (module != null && slots != null) {
        for (DictionaryObject object : module.dictionary().objects()) {
          int step = isPdo(object.index()) ? slots.pdoStep() : slots.indexStep();
          int moved = object.movesWithSlot() ? slot * step : 0;
          all.add(
              new DictionaryObject(object.index() + moved, false, object.name(), object.parts()));
        }
      }
    }
    return new ObjectDictionary(all);
  }

  private static boolean isPdo(int index) {
    return index >= FIRST_MAPPING && index <= LAST_MAPPING;
  }
}
