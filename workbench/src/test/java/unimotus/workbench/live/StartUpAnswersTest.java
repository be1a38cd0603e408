package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.MappingObjects;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationSetup;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.StationLink;
import unimotus.devices.ethercat.master.StationStart;
import unimotus.devices.ethercat.station.DeviceObjects;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.station.StationDevice;
import unimotus.devices.ethercat.station.StationIdentity;
import unimotus.devices.ethercat.wire.Wire;
import unimotus.formats.esi.DescriptionFile;
import unimotus.formats.esi.ShippedDescriptions;

/**
 * What is predicted of a start-up list beside what a station answers to it. The check knows the
 * description; the station is asked through its mailbox, object by object.
 */
class StartUpAnswersTest {
  private static final int LISTS = Integer.getInteger("unimotus.campaign", 1) * 200;
  private static final int LENGTH = 15;

  /** A cable without a net: what is sent has come back when it is asked for. */
  private static final class Direct implements Wire {
    private final Ring ring;
    private byte @Nullable [] back;

    Direct(Ring ring) {
      this.ring = ring;
    }

    @Override
    public void send(byte[] telegram) {
      back = ring.pass(telegram);
    }

    @Override
    public byte @Nullable [] receive(long nanos) {
      return back;
    }

    @Override
    public void close() {}
  }

  private static List<StationSetup> setups() {
    List<StationSetup> setups = new ArrayList<>();
    for (String name : ShippedDescriptions.NAMES) {
      DescriptionFile file = ShippedDescriptions.find(name).orElseThrow();
      for (EsiDevice device : file.description().devices()) {
        setups.add(StationSetup.delivered(file.description(), device));
      }
    }
    return setups;
  }

  private static StationStart start(StationSetup setup) throws IOException {
    EsiDevice device = setup.device();
    StationIdentity identity =
        new StationIdentity(1, device.productCode(), device.revision(), 1, 0);
    Station station =
        new Station(
            identity, StationDevice.plain(new DeviceObjects(setup, identity)), System::nanoTime);
    Exchange exchange =
        new Exchange(new Direct(new Ring(List.of(station))), 100, 0, Exchange.Tap.NONE);
    StationLink link = BusScan.addressed(exchange, 1).get(0);
    StationStart start = new StationStart(link, link.eeprom(), Gate.OPEN);
    start.mailbox();
    return start;
  }

  /** A command for some part of some object, with a length and a value that may fit. */
  private static StartUpCommand command(List<DictionaryObject> objects, Random random) {
    DictionaryObject object = objects.get(random.nextInt(objects.size()));
    ObjectPart part = object.parts().get(random.nextInt(object.parts().size()));
    int index = random.nextInt(12) == 0 ? random.nextInt(0x10000) : object.index();
    int subindex = random.nextInt(12) == 0 ? random.nextInt(256) : part.subindex();
    int bytes = Math.max(1, Math.min(8, part.bitLength() / 8));
    bytes = random.nextInt(8) == 0 ? 1 + random.nextInt(8) : bytes;
    long[] values = {0, 1, 2, -1, 127, 255, 3000, 4000, 65535, random.nextInt()};
    return StartUpCommand.number(
        "PS", index, subindex, values[random.nextInt(values.length)], bytes, "");
  }

  private static List<StartUpCommand> list(StationSetup setup, Random random) {
    List<DictionaryObject> objects = StartUpCheck.dictionary(setup).objects();
    List<StartUpCommand> list = new ArrayList<>(MappingObjects.of(setup));
    for (int i = 0; i < LENGTH; i++) {
      list.add(random.nextInt(list.size() + 1), command(objects, random));
    }
    return list;
  }

  @Test
  void whatIsPredictedIsWhatIsAnswered() throws IOException {
    Random random = new Random(40);
    int commands = 0;
    int refused = 0;
    List<StationSetup> setups = setups();
    for (int i = 0; i < LISTS; i++) {
      StationSetup setup = setups.get(i % setups.size());
      List<StartUpCommand> list = list(setup, random);
      List<StartUpCheck.Row> rows = StartUpCheck.of(setup, list).rows();
      List<StationStart.Written> written = start(setup).startUp(list, "PS");
      for (int k = 0; k < list.size(); k++) {
        StartUpCheck.Row row = rows.get(k);
        if (row.verdict() == StartUpCheck.Verdict.UNKNOWN) {
          continue;
        }
        String predicted = row.abort() == null ? "" : row.abort().told();
        assertThat(written.get(k).refusal())
            .as(
                "%s, %s %s: %s",
                setup.device().type(), list.get(k).object(), list.get(k).data(), row.why())
            .isEqualTo(predicted);
        commands++;
        refused += predicted.isEmpty() ? 0 : 1;
      }
    }
    assertThat(refused).isBetween(commands / 10, commands);
    System.out.printf(
        "start-up objects answered as predicted: %d, %d of them refused%n", commands, refused);
  }
}
