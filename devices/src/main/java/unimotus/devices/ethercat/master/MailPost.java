package unimotus.devices.ethercat.master;

import java.io.IOException;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.Place;
import unimotus.devices.ethercat.mailbox.Mail;
import unimotus.devices.ethercat.mailbox.MailFault;
import unimotus.devices.ethercat.mailbox.ObjectClient;

/** The mailboxes of a station. A mail that was lost on the way back is asked for again. */
final class MailPost implements ObjectClient.Post {
  private static final int FULL = 0x08;
  private static final int REPEAT = 0x02;
  private static final int STATUS_FROM_STATION = Place.SYNC_MANAGERS + 8 + 5;
  private static final int ACTIVE_FROM_STATION = Place.SYNC_MANAGERS + 8 + 6;
  private static final int DEVICE_FROM_STATION = Place.SYNC_MANAGERS + 8 + 7;

  private final StationLink station;
  private final EepromContent.Area to;
  private final EepromContent.Area from;
  private final long nanos;
  private Gate gate = Gate.OPEN;
  private int counter;
  private int received;

  MailPost(StationLink station, EepromContent content, int milliseconds) {
    this.station = station;
    this.to = content.mailbox().get(0);
    this.from = content.mailbox().get(1);
    this.nanos = milliseconds * 1_000_000L;
  }

  /** What is sent from now on goes out only where a gate lets it. */
  void through(Gate next) {
    gate = next;
  }

  @Override
  public int room() {
    return to.length();
  }

  /** Takes out what an earlier controller left in it. */
  void empty() throws IOException {
    while ((station.read(STATUS_FROM_STATION, 1)[0] & FULL) != 0) {
      station.tryRead(from.start(), from.length(), 0);
    }
  }

  @Override
  public void send(byte[] body) throws IOException {
    counter = Mail.next(counter);
    byte[] mail = new Mail(Mail.OBJECTS, counter, body).bytes(to.length());
    long end = System.nanoTime() + nanos;
    while (!station.tryWrite(to.start(), mail, gate)) {
      if (System.nanoTime() > end) {
        throw new Unexpected("%s: its mailbox takes nothing".formatted(station));
      }
      StationLink.pause();
    }
  }

  @Override
  public byte[] receive() throws IOException, MailFault {
    long end = System.nanoTime() + nanos;
    while (System.nanoTime() < end) {
      if ((station.read(STATUS_FROM_STATION, 1)[0] & FULL) == 0) {
        StationLink.pause();
        continue;
      }
      byte[] mailbox;
      try {
        mailbox = station.tryRead(from.start(), from.length(), 0);
      } catch (NoAnswer lost) {
        repeat();
        continue;
      }
      if (mailbox.length > 0) {
        Mail mail = Mail.of(mailbox);
        boolean isSeen = mail.counter() != 0 && mail.counter() == received;
        received = mail.counter();
        if (!isSeen) {
          return opened(mail);
        }
      }
    }
    throw new NoAnswer(
        "%s: nothing came into its mailbox within %d ms".formatted(station, nanos / 1_000_000));
  }

  private byte[] opened(Mail mail) throws MailFault {
    byte[] body = mail.body();
    if (mail.type() == Mail.ERROR && body.length >= 4) {
      throw new MailFault(Byte.toUnsignedInt(body[2]) | Byte.toUnsignedInt(body[3]) << 8);
    }
    return mail.type() == Mail.OBJECTS ? body : new byte[0];
  }

  /** The last mail did not arrive: the station lays it into its mailbox again. */
  private void repeat() throws IOException {
    int asked = station.read(ACTIVE_FROM_STATION, 1)[0] ^ REPEAT;
    station.write(ACTIVE_FROM_STATION, new byte[] {(byte) asked});
    long end = System.nanoTime() + nanos;
    while (((station.read(DEVICE_FROM_STATION, 1)[0] ^ asked) & REPEAT) != 0) {
      if (System.nanoTime() > end) {
        throw new Unexpected("%s: its mailbox repeats nothing".formatted(station));
      }
      StationLink.pause();
    }
  }
}
