package unimotus.devices.ethercat.mailbox;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;

/** Reads and writes objects of a station, and asks for its dictionary. One thread at a time. */
public final class ObjectClient {
  private static final int MOST_BYTES = 1 << 20;
  private static final int MOST_EMERGENCIES = 100;

  private final Post post;
  private final List<String> emergencies = new ArrayList<>();

  /** Carries bodies of mails about objects to a station and brings what comes from it. */
  public interface Post {

    /** Bytes of the mailbox to the station. */
    int room();

    /**
     * Sends a body.
     *
     * @throws IOException where the mailbox does not take it
     */
    void send(byte[] body) throws IOException;

    /**
     * The next body that comes.
     *
     * @throws MailFault where the station could not follow what was sent
     * @throws IOException where none comes in time
     */
    byte[] receive() throws IOException, MailFault;
  }

  /** A client over a mailbox that is open. */
  public ObjectClient(Post post) {
    this.post = post;
  }

  /** Faults that the station told of by itself meanwhile, in words; the last hundred. */
  public List<String> emergencies() {
    return List.copyOf(emergencies);
  }

  /**
   * The bytes of a value.
   *
   * @throws Aborted where the station refuses
   * @throws MailFault where it does not follow
   * @throws IOException where it does not answer, or otherwise than asked
   */
  public byte[] read(int index, int subindex) throws IOException, Aborted, MailFault {
    byte[] request =
        Coe.buffer(Coe.PLAIN)
            .put((byte) (Coe.UPLOAD << Coe.COMMAND_SHIFT))
            .putShort((short) index)
            .put((byte) subindex)
            .array();
    byte[] answer = ask(request, b -> command(b) == Coe.UPLOAD && isSame(b, request));
    int head = Byte.toUnsignedInt(answer[0]);
    if ((head & Coe.EXPEDITED) != 0) {
      int empty = (head & Coe.SIZE_TOLD) != 0 ? head >> 2 & 3 : 0;
      return Arrays.copyOfRange(answer, Coe.OBJECT, Coe.PLAIN - empty);
    }
    int size = Coe.wrap(answer).getInt(Coe.OBJECT);
    if (size < 0 || size > MOST_BYTES) {
      throw new IOException("0x%04X:%d says it has %d bytes".formatted(index, subindex, size));
    }
    ByteBuffer data = Coe.buffer(size);
    take(data, answer, Coe.PLAIN, answer.length - Coe.PLAIN, index, subindex);
    boolean last = !data.hasRemaining();
    for (int toggle = 0; !last; toggle ^= Coe.TOGGLE) {
      byte[] segment = segment(Coe.UPLOAD_SEGMENT, toggle, Coe.SEGMENT);
      int empty = segment.length == Coe.PLAIN ? segment[0] >> 1 & Coe.SEGMENT_GAIN : 0;
      take(data, segment, 1, segment.length - 1 - empty, index, subindex);
      last = (segment[0] & Coe.LAST_SEGMENT) != 0;
    }
    if (data.hasRemaining()) {
      throw new IOException(
          "0x%04X:%d: %d of %d bytes came".formatted(index, subindex, data.position(), size));
    }
    return data.array();
  }

  private static void take(
      ByteBuffer into, byte[] from, int at, int length, int index, int subindex)
      throws IOException {
    if (length > into.remaining()) {
      throw new IOException(
          "0x%04X:%d: more bytes came than the %d announced"
              .formatted(index, subindex, into.capacity()));
    }
    into.put(from, at, length);
  }

  private byte[] segment(int asked, int toggle, int expected)
      throws IOException, Aborted, MailFault {
    byte[] request =
        Coe.buffer(Coe.PLAIN).put((byte) (asked << Coe.COMMAND_SHIFT | toggle)).array();
    return toggled(ask(request, b -> command(b) == expected), toggle);
  }

  private static byte[] toggled(byte[] answer, int toggle) throws IOException {
    if ((answer[0] & Coe.TOGGLE) != toggle) {
      throw new IOException("the station did not alternate the toggle bit");
    }
    return answer;
  }

  /**
   * Writes a value.
   *
   * @param data its bytes, the least significant first
   * @throws Aborted where the station refuses
   * @throws MailFault where it does not follow
   * @throws IOException where it does not answer, or otherwise than asked
   */
  public void write(int index, int subindex, byte[] data) throws IOException, Aborted, MailFault {
    boolean isShort = data.length > 0 && data.length <= Integer.BYTES;
    int room = post.room() - Mail.HEADER - Coe.SERVICE - Coe.PLAIN;
    int first = isShort ? 0 : Math.min(data.length, room);
    ByteBuffer request = Coe.buffer(Coe.PLAIN + first);
    int head =
        isShort
            ? Coe.EXPEDITED | Coe.SIZE_TOLD | (Integer.BYTES - data.length) << 2
            : Coe.SIZE_TOLD;
    request.put((byte) (Coe.DOWNLOAD << Coe.COMMAND_SHIFT | head));
    request.putShort((short) index).put((byte) subindex);
    if (isShort) {
      request.put(data);
    } else {
      request.putInt(data.length).put(data, 0, first);
    }
    ask(request.array(), b -> command(b) == Coe.TAKEN && isSame(b, request.array()));
    int at = isShort ? data.length : first;
    for (int toggle = 0; at < data.length; toggle ^= Coe.TOGGLE) {
      at += sendSegment(data, at, room + Coe.SEGMENT_GAIN, toggle);
    }
  }

  private int sendSegment(byte[] data, int at, int room, int toggle)
      throws IOException, Aborted, MailFault {
    int now = Math.min(room, data.length - at);
    int empty = Math.max(0, Coe.SEGMENT_GAIN - now);
    int last = at + now == data.length ? Coe.LAST_SEGMENT : 0;
    byte[] request =
        Coe.buffer(1 + now + empty)
            .put((byte) (toggle | empty << 1 | last))
            .put(data, at, now)
            .array();
    toggled(ask(request, b -> command(b) == Coe.SEGMENT_TAKEN), toggle);
    return now;
  }

  private static int command(byte[] answer) {
    return Byte.toUnsignedInt(answer[0]) >> Coe.COMMAND_SHIFT;
  }

  private static boolean isSame(byte[] answer, byte[] request) {
    return Arrays.equals(answer, 1, Coe.OBJECT, request, 1, Coe.OBJECT);
  }

  private byte[] ask(byte[] request, Predicate<byte[]> isAnswer)
      throws IOException, Aborted, MailFault {
    post.send(Coe.body(Coe.REQUEST, request));
    return next(Coe.RESPONSE, isAnswer);
  }

  /** The next answer of a service; what the station tells by itself is noted on the way. */
  private byte[] next(int service, Predicate<byte[]> isAnswer)
      throws IOException, Aborted, MailFault {
    while (true) {
      byte[] body = post.receive();
      if (body.length < Coe.SERVICE + Coe.INFORMATION_HEADER) {
        continue;
      }
      byte[] content = Arrays.copyOfRange(body, Coe.SERVICE, body.length);
      int came = Coe.service(body);
      if (came == Coe.EMERGENCY) {
        note(content);
        continue;
      }
      refused(came, content);
      boolean isWhole = service == Coe.INFORMATION || content.length >= Coe.PLAIN;
      if (came == service && isWhole && isAnswer.test(content)) {
        return content;
      }
    }
  }

  private static void refused(int service, byte[] content) throws Aborted {
    boolean isAccess = service == Coe.REQUEST || service == Coe.RESPONSE;
    boolean isRefused =
        isAccess
            ? command(content) == Coe.ABORT
            : service == Coe.INFORMATION && (content[0] & ~Coe.MORE) == Coe.INFORMATION_ERROR;
    if (isRefused && content.length >= Coe.PLAIN) {
      throw new Aborted(Coe.wrap(content).getInt(Coe.OBJECT));
    }
  }

  private void note(byte[] content) {
    if (emergencies.size() == MOST_EMERGENCIES) {
      emergencies.remove(0);
    }
    emergencies.add(
        "emergency 0x%04X, error register 0x%02X"
            .formatted(Short.toUnsignedInt(Coe.wrap(content).getShort()), content[2]));
  }

  private ByteBuffer information(int asked, byte[] about) throws IOException, Aborted, MailFault {
    ByteBuffer request = Coe.buffer(Coe.INFORMATION_HEADER + about.length).put((byte) asked);
    request.position(Coe.INFORMATION_HEADER).put(about);
    post.send(Coe.body(Coe.INFORMATION, request.array()));
    Predicate<byte[]> isAnswer = b -> (b[0] & ~Coe.MORE & 0xFF) == asked + 1;
    ByteBuffer all = Coe.buffer(MOST_BYTES);
    int left = -1;
    do {
      byte[] part = next(Coe.INFORMATION, isAnswer);
      int told = Short.toUnsignedInt(Coe.wrap(part).getShort(2));
      if (left >= 0 && told != left - 1) {
        throw new IOException("a part of the dictionary is missing");
      }
      left = told;
      all.put(part, Coe.INFORMATION_HEADER, part.length - Coe.INFORMATION_HEADER);
    } while (left > 0);
    return all.flip();
  }

  private static byte[] word(int value) {
    return Coe.buffer(Short.BYTES).putShort((short) value).array();
  }

  /**
   * The numbers of all objects.
   *
   * @throws Aborted where the station has no list
   */
  public List<Integer> objects() throws IOException, Aborted, MailFault {
    ByteBuffer list = information(Coe.LIST, word(1));
    list.position(Math.min(Short.BYTES, list.limit()));
    List<Integer> objects = new ArrayList<>();
    while (list.remaining() >= Short.BYTES) {
      objects.add(Short.toUnsignedInt(list.getShort()));
    }
    return objects;
  }

  /**
   * An object as the station itself describes it.
   *
   * @param index its number
   * @param name its name
   * @param top the greatest subindex
   */
  public record Described(int index, String name, int top) {}

  /**
   * A value as the station itself describes it.
   *
   * @param subindex its number
   * @param name its name
   * @param type the number of its type
   * @param bits how many bits it takes
   * @param access when it may be read (bits 0 to 2) and written (3 to 5), and be in outputs (6) and
   *     inputs (7)
   */
  public record DescribedPart(int subindex, String name, int type, int bits, int access) {}

  /**
   * What an object is.
   *
   * @throws Aborted where there is none
   */
  public Described describe(int index) throws IOException, Aborted, MailFault {
    ByteBuffer got = information(Coe.OBJECT_DESCRIPTION, word(index));
    if (got.remaining() < 6) {
      throw new IOException("the description of 0x%04X is cut off".formatted(index));
    }
    return new Described(index, name(got, 6), Byte.toUnsignedInt(got.get(4)));
  }

  /**
   * What a value is.
   *
   * @throws Aborted where there is none
   */
  public DescribedPart describe(int index, int subindex) throws IOException, Aborted, MailFault {
    byte[] about = Coe.buffer(4).putShort((short) index).put((byte) subindex).array();
    ByteBuffer got = information(Coe.ENTRY_DESCRIPTION, about);
    if (got.remaining() < 10) {
      throw new IOException("the description of 0x%04X:%d is cut off".formatted(index, subindex));
    }
    return new DescribedPart(
        subindex,
        name(got, 10),
        Short.toUnsignedInt(got.getShort(4)),
        Short.toUnsignedInt(got.getShort(6)),
        Short.toUnsignedInt(got.getShort(8)));
  }

  private static String name(ByteBuffer from, int at) {
    byte[] name = new byte[from.limit() - at];
    from.get(at, name);
    return new String(name, StandardCharsets.ISO_8859_1);
  }
}
