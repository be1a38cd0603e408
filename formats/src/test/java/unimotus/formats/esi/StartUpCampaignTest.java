package unimotus.formats.esi;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.MappingObjects;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationSetup;
import unimotus.core.value.Access;

/**
 * Start-up lists made of what the dictionary allows, and spoilt by one command each. The spoiler
 * knows what it did, and with that the abort; it asks nothing of the check.
 */
class StartUpCampaignTest {
  private static final int SOUND = 200;
  private static final int SPOILT = Integer.getInteger("unimotus.campaign", 1) * 600;

  /** A part that can be written as a number. */
  private record Writable(int index, ObjectPart part) {}

  private static List<StationSetup> stations() {
    List<StationSetup> stations = new ArrayList<>();
    for (String name : ShippedDescriptions.NAMES) {
      DescriptionFile file = ShippedDescriptions.find(name).orElseThrow();
      file.description()
          .devices()
          .forEach(d -> stations.add(StationSetup.delivered(file.description(), d)));
    }
    return stations;
  }

  private static List<Writable> writable(StationSetup station) {
    List<Writable> all = new ArrayList<>();
    for (DictionaryObject object : StartUpCheck.dictionary(station).objects()) {
      for (ObjectPart part : object.parts()) {
        boolean isMapping = object.index() >= 0x1600 && object.index() <= 0x1CFF;
        boolean isNumber = part.bitLength() <= Long.SIZE;
        if (part.access() == Access.READ_WRITE && isNumber && !isMapping) {
          all.add(new Writable(object.index(), part));
        }
      }
    }
    return all;
  }

  private static long allowed(ObjectPart part, Random random) {
    Long least = part.least();
    Long most = part.most();
    long from = least == null ? 0 : least;
    long to = most == null ? from + 100 : most;
    return from + (long) (random.nextDouble() * (to - from));
  }

  private static List<StartUpCommand> sound(StationSetup station, Random random) {
    List<StartUpCommand> commands = new ArrayList<>(MappingObjects.of(station));
    List<Writable> all = writable(station);
    for (int i = 0; i < 5 && !all.isEmpty(); i++) {
      Writable one = all.get(random.nextInt(all.size()));
      commands.add(
          StartUpCommand.number(
              "PS",
              one.index(),
              one.part().subindex(),
              allowed(one.part(), random),
              one.part().bitLength() / 8,
              ""));
    }
    return commands;
  }

  @Test
  void soundListsAreTaken() {
    Random random = new Random(1);
    for (int i = 0; i < SOUND; i++) {
      for (StationSetup station : stations()) {
        assertThat(StartUpCheck.of(station, sound(station, random)).refused()).isEmpty();
      }
    }
  }

  @Test
  void everySpoiltCommandIsNamedWithItsAbort() {
    Random random = new Random(2);
    List<StationSetup> stations = stations();
    int found = 0;
    int tried = 0;
    while (tried < SPOILT) {
      StationSetup station = stations.get(random.nextInt(stations.size()));
      List<StartUpCommand> commands = sound(station, random);
      List<Writable> all = writable(station);
      ObjectAbort expected = ObjectAbort.values()[random.nextInt(ObjectAbort.values().length)];
      StartUpCommand spoilt =
          all.isEmpty() ? null : spoilt(expected, all.get(random.nextInt(all.size())), random);
      if (spoilt == null) {
        continue;
      }
      tried++;
      // A list that was opened again takes nothing more; while it is closed it would.
      int at =
          expected == ObjectAbort.NOT_CLOSED
              ? commands.size()
              : random.nextInt(commands.size() + 1);
      commands.add(at, spoilt);
      List<StartUpCheck.Row> refused = StartUpCheck.of(station, commands).refused();
      assertThat(refused).as("%s in %s", spoilt, commands).hasSize(1);
      assertThat(refused.get(0).number()).isEqualTo(at + 1);
      assertThat(refused.get(0).abort()).as(spoilt.toString()).isEqualTo(expected);
      found++;
    }
    System.out.printf("spoilt start-up lists: %d found of %d%n", found, tried);
    assertThat(found).isEqualTo(tried);
  }

  /** A command that earns an abort; null where this part cannot earn it. */
  private static StartUpCommand spoilt(ObjectAbort abort, Writable one, Random random) {
    ObjectPart part = one.part();
    int bytes = part.bitLength() / 8;
    long value = allowed(part, random);
    Long most = part.most();
    Long least = part.least();
    long limit = 1L << (part.isSigned() ? 8 * bytes - 1 : 8 * bytes);
    return switch (abort) {
      case NO_OBJECT -> command(0x5F00 + random.nextInt(0xFF), 0, value, bytes);
      case NO_SUBINDEX -> command(one.index(), 0x40 + random.nextInt(0x40), value, bytes);
      case READ_ONLY -> command(0x1018, random.nextInt(5), value, 4);
      case TOO_LONG -> command(one.index(), part.subindex(), value, bytes + 1);
      case TOO_SHORT -> bytes < 2 ? null : command(one.index(), part.subindex(), value, bytes - 1);
      case TOO_HIGH ->
          most == null || most + 1 >= limit
              ? null
              : command(one.index(), part.subindex(), most + 1, bytes);
      case TOO_LOW ->
          least == null || least < 1
              ? null
              : command(one.index(), part.subindex(), least - 1, bytes);
      case WRONG_STATE -> StartUpCommand.number("SO", 0x1C12, 0, 0, 1, "image told too late");
      case NOT_CLOSED -> StartUpCommand.number("PS", 0x1C13, 1, 0x1A00, 2, "put in while open");
      default -> null;
    };
  }

  private static StartUpCommand command(int index, int subindex, long value, int bytes) {
    return StartUpCommand.number("PS", index, subindex, value, bytes, "");
  }
}
