package unimotus.devices.ethercat.station;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.devices.ethercat.mailbox.Mail;
import unimotus.devices.ethercat.mailbox.MailFault;
import unimotus.devices.ethercat.mailbox.ObjectServer;

/** The two mailboxes of a station: what comes in is answered, what goes out waits for its turn. */
final class Mailboxes {
  /** More than one request ever brings; who asks on without fetching loses the oldest. */
  private static final int MOST_WAITING = 512;

  private static final int TO_STATION = 0;
  private static final int FROM_STATION = 1;

  private final StationMemory memory;
  private final DeviceObjects objects;
  private final Deque<byte[]> waiting = new ArrayDeque<>();
  private byte @Nullable [] last;
  private @Nullable ObjectServer server;
  private int received;
  private int sent;
  private boolean isBegun;

  Mailboxes(StationMemory memory, DeviceObjects objects) {
    this.memory = memory;
    this.objects = objects;
  }

  private SyncArea in() {
    return SyncArea.of(memory, TO_STATION);
  }

  private SyncArea out() {
    return SyncArea.of(memory, FROM_STATION);
  }

  /** Both are empty, and nothing is under way. */
  void reset() {
    waiting.clear();
    last = null;
    server = null;
    received = 0;
    sent = 0;
    isBegun = false;
    in().full(memory, false);
    out().full(memory, false);
  }

  /** They are open from now on. */
  void open() {
    server = new ObjectServer(objects, out().length());
  }

  /**
   * Reads from the mailbox out of the station.
   *
   * @return the bytes; null where nothing lies in it
   */
  byte @Nullable [] read(int at, int length) {
    SyncArea area = out();
    if (!area.isFull(memory) || at != area.start()) {
      return null;
    }
    byte[] data = memory.copy(at, length);
    if (at + length >= area.end()) {
      last = memory.copy(area.start(), area.length());
      area.full(memory, false);
      post();
    }
    return data;
  }

  /** Writes into the mailbox to the station; false where it is full, or not from its beginning. */
  boolean write(int at, byte[] data) {
    SyncArea area = in();
    boolean begins = at == area.start();
    if (area.isFull(memory) || at + data.length > area.end() || (!begins && !isBegun)) {
      return false;
    }
    memory.put(at, data);
    isBegun = at + data.length < area.end();
    if (!isBegun) {
      take(memory.copy(area.start(), area.length()));
    }
    return true;
  }

  private void take(byte[] mailbox) {
    ObjectServer objectServer = server;
    if (objectServer == null) {
      return;
    }
    try {
      Mail mail = Mail.of(mailbox);
      if (mail.counter() != 0 && mail.counter() == received) {
        // The sender did not see that it was taken and sent it again.
        return;
      }
      received = mail.counter();
      if (mail.type() != Mail.OBJECTS) {
        throw new MailFault(MailFault.NO_PROTOCOL);
      }
      List<byte[]> answers = objectServer.answer(mail.body());
      answers.forEach(a -> send(Mail.OBJECTS, a));
    } catch (MailFault fault) {
      send(Mail.ERROR, new byte[] {1, 0, (byte) fault.number(), 0});
    }
  }

  /** Tells of a fault without being asked. */
  void emergency(int code) {
    if (server != null) {
      send(Mail.OBJECTS, ObjectServer.emergency(code, code == 0 ? 0 : 1));
    }
  }

  private void send(int type, byte[] body) {
    sent = Mail.next(sent);
    if (waiting.size() == MOST_WAITING) {
      waiting.removeFirst();
    }
    waiting.add(new Mail(type, sent, body).bytes(out().length()));
    post();
  }

  private void post() {
    SyncArea area = out();
    if (!waiting.isEmpty() && area.length() > 0 && !area.isFull(memory)) {
      memory.put(area.start(), Arrays.copyOf(waiting.removeFirst(), area.length()));
      area.full(memory, true);
    }
  }

  /** The controller did not get the last mail and asks for it anew. */
  void repeat() {
    SyncArea area = out();
    if (area.length() == 0) {
      return;
    }
    if (area.isFull(memory)) {
      waiting.addFirst(memory.copy(area.start(), area.length()));
      area.full(memory, false);
    }
    if (last != null) {
      waiting.addFirst(last);
    }
    int asked = memory.octet(area.activePlace()) & SyncArea.REPEAT;
    int kept = memory.octet(area.devicePlace()) & ~SyncArea.REPEAT;
    memory.putOctet(area.devicePlace(), kept | asked);
    post();
  }
}
