package unimotus.devices.modbus;

import java.io.IOException;
import java.util.concurrent.atomic.AtomicInteger;
import org.jspecify.annotations.Nullable;

/** How a stand-in behaves: as a good device, or as it was told to misbehave. */
final class Conduct {
  private static final int REFUSED = 0x80;
  private static final int ANOTHER_FUNCTION = 0x10;
  private static final int OTHER_DATA = 0x55;

  private final AtomicInteger requests = new AtomicInteger();
  private volatile Troubles troubles = Troubles.NONE;

  void misbehave(Troubles next) {
    requests.set(0);
    troubles = next;
  }

  /**
   * What goes out in the place of an honest message, after what delay there is.
   *
   * @return null where nothing goes out
   * @throws IOException where the stand-in is closed meanwhile
   */
  byte @Nullable [] of(byte[] honest) throws IOException {
    Troubles now = troubles;
    if (now.equals(Troubles.NONE)) {
      return honest;
    }
    int number = requests.incrementAndGet();
    pause(now.delayMilliseconds());
    if (now.drops(number)) {
      return null;
    }
    if (now.refuses(number)) {
      return new Response.Refusal(honest[0] & ~REFUSED, now.refusal()).bytes();
    }
    if (now.spoils(number)) {
      honest[honest.length - 1 - honest.length / 2] ^= OTHER_DATA;
      honest[0] ^= ANOTHER_FUNCTION;
    }
    return honest;
  }

  private static void pause(int milliseconds) throws IOException {
    try {
      Thread.sleep(milliseconds);
    } catch (InterruptedException closed) {
      Thread.currentThread().interrupt();
      throw new IOException("closed while an answer was delayed", closed);
    }
  }
}
