package unimotus.devices.ethercat.mailbox;

import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.ObjectPart;
import unimotus.core.processdata.ObjectAbort;

/** Answers requests for objects: short and long ones, in segments where they do not fit. */
public final class ObjectServer {
  /** What is given out in segments, and what of it went. */
  private record Upload(byte[] data, int sent, int toggle) {}

  /** What comes in by segments, and what of it came. */
  private record Download(int index, int subindex, byte[] data, int came, int toggle) {}

  private final ObjectStore store;
  private final DictionaryServer dictionary;
  private final int room;
  private @Nullable Upload upload;
  private @Nullable Download download;

  /**
   * A server without transfers under way.
   *
   * @param store the objects
   * @param size of the mailbox the answers go into, in bytes
   */
  public ObjectServer(ObjectStore store, int size) {
    this.store = store;
    this.room = size - Mail.HEADER - Coe.SERVICE;
    this.dictionary = new DictionaryServer(store, room - Coe.INFORMATION_HEADER);
  }

  /**
   * The answers to the body of a mail, in their order; none where nothing is answered.
   *
   * @throws MailFault where it is no request for objects
   */
  public List<byte[]> answer(byte[] body) throws MailFault {
    if (body.length < Coe.SERVICE + Coe.INFORMATION_HEADER) {
      throw new MailFault(MailFault.TOO_SHORT);
    }
    byte[] content = Arrays.copyOfRange(body, Coe.SERVICE, body.length);
    return switch (Coe.service(body)) {
      case Coe.REQUEST -> access(content);
      case Coe.INFORMATION -> dictionary.answer(content);
      default -> throw new MailFault(MailFault.NO_SERVICE);
    };
  }

  /** The body that tells of a fault by itself: its code, the error register, nothing more. */
  public static byte[] emergency(int code, int register) {
    return Coe.body(
        Coe.EMERGENCY, Coe.buffer(8).putShort((short) code).put((byte) register).array());
  }

  private List<byte[]> access(byte[] request) throws MailFault {
    if (request.length < Coe.PLAIN) {
      throw new MailFault(MailFault.TOO_SHORT);
    }
    try {
      byte[] answer = answered(request);
      return answer.length == 0 ? List.of() : List.of(Coe.body(Coe.RESPONSE, answer));
    } catch (Aborted aborted) {
      upload = null;
      download = null;
      return List.of(Coe.body(Coe.REQUEST, abort(request, aborted.code())));
    }
  }

  private static byte[] abort(byte[] request, int code) {
    return Coe.buffer(Coe.PLAIN)
        .put((byte) (Coe.ABORT << Coe.COMMAND_SHIFT))
        .put(request, 1, 3)
        .putInt(code)
        .array();
  }

  private byte[] answered(byte[] request) throws Aborted {
    int command = Byte.toUnsignedInt(request[0]);
    return switch (command >> Coe.COMMAND_SHIFT) {
      case Coe.UPLOAD -> upload(request, command);
      case Coe.UPLOAD_SEGMENT -> uploadSegment(command);
      case Coe.DOWNLOAD -> download(request, command);
      case Coe.DOWNLOAD_SEGMENT -> downloadSegment(request, command);
      case Coe.ABORT -> {
        upload = null;
        download = null;
        yield new byte[0];
      }
      default -> throw new Aborted(ObjectAbort.COMMAND);
    };
  }

  private static void notComplete(int command) throws Aborted {
    if ((command & Coe.COMPLETE) != 0) {
      throw new Aborted(ObjectAbort.NO_COMPLETE_ACCESS);
    }
  }

  private static int index(byte[] request) {
    return Short.toUnsignedInt(Coe.wrap(request).getShort(1));
  }

  private static int subindex(byte[] request) {
    return Byte.toUnsignedInt(request[3]);
  }

  private byte[] upload(byte[] request, int command) throws Aborted {
    notComplete(command);
    byte[] data = store.read(index(request), subindex(request));
    upload = null;
    if (data.length > 0 && data.length <= Integer.BYTES) {
      int empty = Integer.BYTES - data.length;
      return Coe.buffer(Coe.PLAIN)
          .put(head(Coe.UPLOAD, empty << 2 | Coe.EXPEDITED | Coe.SIZE_TOLD))
          .put(request, 1, 3)
          .put(data)
          .array();
    }
    int first = Math.min(data.length, room - Coe.PLAIN);
    if (first < data.length) {
      upload = new Upload(data, first, 0);
    }
    return Coe.buffer(Coe.PLAIN + first)
        .put(head(Coe.UPLOAD, Coe.SIZE_TOLD))
        .put(request, 1, 3)
        .putInt(data.length)
        .put(data, 0, first)
        .array();
  }

  private static byte head(int command, int flags) {
    return (byte) (command << Coe.COMMAND_SHIFT | flags);
  }

  private byte[] uploadSegment(int command) throws Aborted {
    Upload under = upload;
    if (under == null) {
      throw new Aborted(ObjectAbort.COMMAND);
    }
    if ((command & Coe.TOGGLE) != under.toggle()) {
      throw new Aborted(ObjectAbort.TOGGLE);
    }
    int left = under.data().length - under.sent();
    int now = Math.min(left, room - 1);
    boolean last = now == left;
    upload =
        last ? null : new Upload(under.data(), under.sent() + now, under.toggle() ^ Coe.TOGGLE);
    int empty = Math.max(0, Coe.SEGMENT_GAIN - now);
    int flags = under.toggle() | empty << 1 | (last ? Coe.LAST_SEGMENT : 0);
    return Coe.buffer(1 + Math.max(Coe.SEGMENT_GAIN, now))
        .put(head(Coe.SEGMENT, flags))
        .put(under.data(), under.sent(), now)
        .array();
  }

  private byte[] download(byte[] request, int command) throws Aborted {
    notComplete(command);
    int index = index(request);
    int subindex = subindex(request);
    download = null;
    if ((command & Coe.EXPEDITED) != 0) {
      int empty = (command & Coe.SIZE_TOLD) != 0 ? command >> 2 & 3 : 0;
      store.write(index, subindex, Arrays.copyOfRange(request, 4, Coe.PLAIN - empty));
      return taken(request);
    }
    int size = Coe.wrap(request).getInt(4);
    byte[] came = Arrays.copyOfRange(request, Coe.PLAIN, request.length);
    mayBe(index, subindex, size);
    if (came.length >= size) {
      store.write(index, subindex, Arrays.copyOf(came, size));
    } else {
      download = new Download(index, subindex, Arrays.copyOf(came, size), came.length, 0);
    }
    return taken(request);
  }

  /** Refuses before memory is taken for it what is longer than the value. */
  private void mayBe(int index, int subindex, int size) throws Aborted {
    DictionaryObject object =
        store.object(index).orElseThrow(() -> new Aborted(ObjectAbort.NO_OBJECT));
    ObjectPart part = object.part(subindex).orElseThrow(() -> new Aborted(ObjectAbort.NO_SUBINDEX));
    if (size < 0 || size > (part.bitLength() + Byte.SIZE - 1) / Byte.SIZE) {
      throw new Aborted(part.access().isWritable() ? ObjectAbort.TOO_LONG : ObjectAbort.READ_ONLY);
    }
  }

  private static byte[] taken(byte[] request) {
    return Coe.buffer(Coe.PLAIN).put(head(Coe.TAKEN, 0)).put(request, 1, 3).array();
  }

  private byte[] downloadSegment(byte[] request, int command) throws Aborted {
    Download under = download;
    if (under == null) {
      throw new Aborted(ObjectAbort.COMMAND);
    }
    if ((command & Coe.TOGGLE) != under.toggle()) {
      throw new Aborted(ObjectAbort.TOGGLE);
    }
    int empty = request.length == Coe.PLAIN ? command >> 1 & Coe.SEGMENT_GAIN : 0;
    int now = request.length - 1 - empty;
    boolean last = (command & Coe.LAST_SEGMENT) != 0;
    int came = under.came() + now;
    if (came > under.data().length || (last && came != under.data().length)) {
      throw new Aborted(ObjectAbort.LENGTH);
    }
    ByteBuffer.wrap(under.data(), under.came(), now).put(request, 1, now);
    int next = under.toggle() ^ Coe.TOGGLE;
    download =
        last ? null : new Download(under.index(), under.subindex(), under.data(), came, next);
    if (last) {
      store.write(under.index(), under.subindex(), under.data());
    }
    return Coe.buffer(Coe.PLAIN).put(head(Coe.SEGMENT_TAKEN, under.toggle())).array();
  }
}
