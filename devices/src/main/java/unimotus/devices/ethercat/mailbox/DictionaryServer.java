package unimotus.devices.ethercat.mailbox;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.ObjectPart;
import unimotus.core.processdata.ObjectAbort;

/** Answers what is asked of the dictionary: its lists, its objects and their parts. */
final class DictionaryServer {
  private static final int VARIABLE = 7;
  private static final int RECORD = 9;
  private static final int READ_IN_ALL_STATES = 0x07;
  private static final int WRITTEN_IN_ALL_STATES = 0x38;
  private static final int IN_OUTPUTS = 0x40;
  private static final int IN_INPUTS = 0x80;
  private static final int LISTS = 5;

  private final ObjectStore store;
  private final int room;

  /**
   * A server.
   *
   * @param room bytes that fit into one answer behind its header
   */
  DictionaryServer(ObjectStore store, int room) {
    this.store = store;
    this.room = room;
  }

  List<byte[]> answer(byte[] request) throws MailFault {
    int asked = request[0] & ~Coe.MORE;
    byte[] about = Arrays.copyOfRange(request, Coe.INFORMATION_HEADER, request.length);
    int needed = asked == Coe.ENTRY_DESCRIPTION ? 3 : Short.BYTES;
    if (about.length < needed) {
      throw new MailFault(MailFault.TOO_SHORT);
    }
    int number = Short.toUnsignedInt(Coe.wrap(about).getShort());
    Optional<byte[]> answer =
        switch (asked) {
          case Coe.LIST -> list(number);
          case Coe.OBJECT_DESCRIPTION -> store.object(number).map(DictionaryServer::object);
          case Coe.ENTRY_DESCRIPTION ->
              store
                  .object(number)
                  .flatMap(o -> o.part(Byte.toUnsignedInt(about[2])))
                  .map(p -> entry(number, p));
          default -> Optional.empty();
        };
    boolean isNone = asked == Coe.OBJECT_DESCRIPTION || asked == Coe.ENTRY_DESCRIPTION;
    return answer
        .map(a -> fragments(asked + 1, a))
        .orElseGet(() -> List.of(refused(isNone ? ObjectAbort.NO_OBJECT : ObjectAbort.GENERAL)));
  }

  private static byte[] refused(ObjectAbort abort) {
    ByteBuffer out = Coe.buffer(Coe.INFORMATION_HEADER + Integer.BYTES);
    return Coe.body(
        Coe.INFORMATION,
        out.put((byte) Coe.INFORMATION_ERROR)
            .position(Coe.INFORMATION_HEADER)
            .putInt(abort.code())
            .array());
  }

  /** An answer in as many parts as it needs; each says how many are to come. */
  private List<byte[]> fragments(int number, byte[] answer) {
    List<byte[]> parts = new ArrayList<>();
    int left = Math.max(1, (answer.length + room - 1) / room);
    for (int at = 0; left > 0; at += room) {
      left--;
      int length = Math.min(room, answer.length - at);
      ByteBuffer out = Coe.buffer(Coe.INFORMATION_HEADER + length);
      out.put((byte) (number | (left > 0 ? Coe.MORE : 0))).put((byte) 0).putShort((short) left);
      parts.add(Coe.body(Coe.INFORMATION, out.put(answer, at, length).array()));
    }
    return parts;
  }

  /** 0 asks how long the lists are; 1 is all, 2 outputs, 3 inputs, 4 and 5 what is kept. */
  private Optional<byte[]> list(int number) {
    if (number > LISTS) {
      return Optional.empty();
    }
    List<Integer> values =
        number == 0
            ? List.of(listed(1).size(), listed(2).size(), listed(3).size(), 0, 0)
            : listed(number);
    ByteBuffer out = Coe.buffer(Short.BYTES * (1 + values.size())).putShort((short) number);
    values.forEach(v -> out.putShort(v.shortValue()));
    return Optional.of(out.array());
  }

  private List<Integer> listed(int number) {
    Predicate<DictionaryObject> wanted =
        switch (number) {
          case 1 -> o -> true;
          case 2 -> o -> hasAccess(o, IN_OUTPUTS);
          case 3 -> o -> hasAccess(o, IN_INPUTS);
          default -> o -> false;
        };
    return store.objects().stream().filter(wanted).map(DictionaryObject::index).sorted().toList();
  }

  private static boolean hasAccess(DictionaryObject object, int bit) {
    return object.parts().stream().anyMatch(p -> (access(p) & bit) != 0);
  }

  private static int access(ObjectPart part) {
    int access =
        (part.access().isReadable() ? READ_IN_ALL_STATES : 0)
            | (part.access().isWritable() ? WRITTEN_IN_ALL_STATES : 0);
    if (part.mappable()) {
      access |= part.access().isWritable() ? IN_OUTPUTS : IN_INPUTS;
    }
    return access;
  }

  private static byte[] object(DictionaryObject object) {
    ObjectPart first = object.parts().get(0);
    int top = object.parts().stream().mapToInt(ObjectPart::subindex).max().orElse(0);
    byte[] name = object.name().getBytes(StandardCharsets.ISO_8859_1);
    return Coe.buffer(6 + name.length)
        .putShort((short) object.index())
        .putShort((short) Coe.type(first))
        .put((byte) top)
        .put((byte) (top == 0 ? VARIABLE : RECORD))
        .put(name)
        .array();
  }

  private static byte[] entry(int index, ObjectPart part) {
    byte[] name = part.name().getBytes(StandardCharsets.ISO_8859_1);
    return Coe.buffer(10 + name.length)
        .putShort((short) index)
        .put((byte) part.subindex())
        .put((byte) 0)
        .putShort((short) Coe.type(part))
        .putShort((short) part.bitLength())
        .putShort((short) access(part))
        .put(name)
        .array();
  }
}
