package unimotus.devices.ethercat;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.machine.BusStation;

/**
 * What a station's EEPROM says of it (ETG.2010, from memory).
 *
 * @param vendor the vendor's number
 * @param product the product code
 * @param revision the revision
 * @param serial the serial number
 * @param alias the address it keeps; 0 for none
 * @param isIntact whether its checksum is right
 * @param mailbox its mailboxes; those of a length of 0 where it has none
 * @param hasObjects whether objects can be read through the mailbox
 * @param name its name; empty where it has none
 * @param type its order text; empty where it has none
 * @param managers its sync managers, by number
 */
public record EepromContent(
    long vendor,
    long product,
    long revision,
    long serial,
    int alias,
    boolean isIntact,
    List<Area> mailbox,
    boolean hasObjects,
    String name,
    String type,
    List<Manager> managers) {
  /** The word the checksum stands in, as a byte. */
  public static final int CHECKSUM = 14;

  /** The word of the alias. */
  public static final int ALIAS_WORD = 4;

  /** First word of vendor, product, revision and serial number. */
  public static final int IDENTITY_WORD = 8;

  /** First word of the mailboxes. */
  public static final int MAILBOX_WORD = 0x18;

  /** The word of the EEPROM's own size. */
  public static final int SIZE_WORD = 0x3E;

  /** The word where categories begin. */
  public static final int CATEGORIES_WORD = 0x40;

  /** Mailboxes carry objects. */
  public static final int OBJECTS = 0x0004;

  /** Category of texts. */
  public static final int TEXTS = 10;

  /** Category of names and what the mailbox can do. */
  public static final int GENERAL = 30;

  /** Category of what memory mappings are for. */
  public static final int MAPPINGS = 40;

  /** Category of sync managers. */
  public static final int SYNC_MANAGERS = 41;

  /** Category of process data objects that are read. */
  public static final int INPUTS = 50;

  /** Category of process data objects that are written. */
  public static final int OUTPUTS = 51;

  private static final int END = 0xFFFF;
  private static final int MOST_CATEGORIES = 64;
  private static final int POLYNOMIAL = 0x07;

  /**
   * A place in a station's memory.
   *
   * @param start its first byte
   * @param length its bytes
   */
  public record Area(int start, int length) {}

  /**
   * A sync manager as delivered.
   *
   * @param area where it is
   * @param control the byte that says how it works
   * @param purpose 1 and 2 for mailboxes to and from the station, 3 outputs, 4 inputs
   */
  public record Manager(Area area, int control, int purpose) {}

  /** Takes copies. */
  public EepromContent {
    mailbox = List.copyOf(mailbox);
    managers = List.copyOf(managers);
  }

  /** Reads parts of an EEPROM. */
  public interface Reader {

    /**
     * Bytes from a word on.
     *
     * @throws IOException where they cannot be read
     */
    byte[] read(int word, int bytes) throws IOException;
  }

  /**
   * Why this is not the device a station of a project is; empty where it is that device in that
   * revision.
   */
  public Optional<String> differenceFrom(BusStation meant) {
    return vendor == meant.vendor() && product == meant.product() && revision == meant.revision()
        ? Optional.empty()
        : Optional.of(
            "vendor 0x%08X, product 0x%08X, revision 0x%08X answers, not 0x%08X, 0x%08X, 0x%08X"
                .formatted(
                    vendor, product, revision, meant.vendor(), meant.product(), meant.revision()));
  }

  /** The checksum over the first 14 bytes. */
  public static int checksum(byte[] head) {
    int sum = 0xFF;
    for (int i = 0; i < CHECKSUM; i++) {
      sum ^= Byte.toUnsignedInt(head[i]);
      for (int bit = 0; bit < Byte.SIZE; bit++) {
        sum = (sum << 1 ^ ((sum & 0x80) != 0 ? POLYNOMIAL : 0)) & 0xFF;
      }
    }
    return sum;
  }

  /**
   * Reads the head and those categories that are needed.
   *
   * @throws IOException where it cannot be read
   */
  public static EepromContent read(Reader reader) throws IOException {
    byte[] bytes = reader.read(0, 2 * CATEGORIES_WORD);
    ByteBuffer head = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
    List<String> texts = new ArrayList<>();
    List<Manager> managers = new ArrayList<>();
    int[] names = new int[2];
    int word = CATEGORIES_WORD;
    for (int i = 0; i < MOST_CATEGORIES; i++) {
      ByteBuffer each = ByteBuffer.wrap(reader.read(word, 4)).order(ByteOrder.LITTLE_ENDIAN);
      int category = Short.toUnsignedInt(each.getShort());
      int words = Short.toUnsignedInt(each.getShort());
      if (category == END) {
        break;
      }
      if (category == TEXTS || category == GENERAL || category == SYNC_MANAGERS) {
        ByteBuffer body =
            ByteBuffer.wrap(reader.read(word + 2, 2 * words)).order(ByteOrder.LITTLE_ENDIAN);
        switch (category) {
          case TEXTS -> texts(body, texts);
          case GENERAL -> {
            names[0] = body.remaining() > 3 ? body.get(3) : 0;
            names[1] = body.remaining() > 2 ? body.get(2) : 0;
          }
          default -> managers(body, managers);
        }
      }
      word += 2 + words;
    }
    int at = 2 * IDENTITY_WORD;
    return new EepromContent(
        Integer.toUnsignedLong(head.getInt(at)),
        Integer.toUnsignedLong(head.getInt(at + 4)),
        Integer.toUnsignedLong(head.getInt(at + 8)),
        Integer.toUnsignedLong(head.getInt(at + 12)),
        word(head, 2 * ALIAS_WORD),
        checksum(bytes) == Byte.toUnsignedInt(bytes[CHECKSUM]),
        List.of(area(head, 2 * MAILBOX_WORD), area(head, 2 * MAILBOX_WORD + 4)),
        (word(head, 2 * MAILBOX_WORD + 8) & OBJECTS) != 0,
        text(texts, names[0]),
        text(texts, names[1]),
        managers);
  }

  private static int word(ByteBuffer in, int at) {
    return Short.toUnsignedInt(in.getShort(at));
  }

  private static Area area(ByteBuffer in, int at) {
    return new Area(word(in, at), word(in, at + 2));
  }

  private static void texts(ByteBuffer body, List<String> into) {
    int count = body.hasRemaining() ? Byte.toUnsignedInt(body.get()) : 0;
    for (int i = 0; i < count && body.hasRemaining(); i++) {
      byte[] text = new byte[Math.min(Byte.toUnsignedInt(body.get()), body.remaining())];
      body.get(text);
      into.add(new String(text, StandardCharsets.ISO_8859_1));
    }
  }

  private static String text(List<String> texts, int number) {
    return number > 0 && number <= texts.size() ? texts.get(number - 1) : "";
  }

  private static void managers(ByteBuffer body, List<Manager> into) {
    while (body.remaining() >= Long.BYTES) {
      int at = body.position();
      into.add(
          new Manager(
              area(body, at),
              Byte.toUnsignedInt(body.get(at + 4)),
              Byte.toUnsignedInt(body.get(at + 7))));
      body.position(at + Long.BYTES);
    }
  }
}
