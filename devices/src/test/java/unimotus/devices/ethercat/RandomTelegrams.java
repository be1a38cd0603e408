package unimotus.devices.ethercat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Telegrams of one to six datagrams, whatever is in them. */
public final class RandomTelegrams {
  private RandomTelegrams() {}

  /** The next one. */
  public static Telegram made(Random random) {
    List<Datagram> datagrams = new ArrayList<>();
    int count = 1 + random.nextInt(6);
    for (int i = 0; i < count; i++) {
      byte[] data = new byte[random.nextInt(200)];
      random.nextBytes(data);
      datagrams.add(
          new Datagram(
              Command.values()[random.nextInt(Command.values().length)],
              random.nextInt(256),
              random.nextInt() & 0xFFFF_FFFFL,
              data,
              random.nextInt(8) == 0,
              random.nextInt(0x1_0000),
              random.nextInt(0x1_0000)));
    }
    return new Telegram(datagrams);
  }
}
