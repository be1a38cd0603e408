package unimotus.devices.ethercat.station;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.Mailbox;
import unimotus.core.esi.Pdo;
import unimotus.core.esi.PdoEntry;
import unimotus.core.esi.SyncManager;
import unimotus.core.processdata.StationSetup;
import unimotus.devices.ethercat.EepromContent;

/** What a station's EEPROM holds, composed of its description (ETG.2010, from memory). */
final class EepromImage {
  private static final int SIZE = 2048;
  private static final int MAILBOX_OUT = 0;
  private static final int MAILBOX_IN = 1;
  private static final int ENABLED = 0x01;
  private static final int NO_SYNC_MANAGER = 0xFF;

  private final EsiDevice device;
  private final List<String> texts = new ArrayList<>();
  private final ByteBuffer out = ByteBuffer.allocate(SIZE).order(ByteOrder.LITTLE_ENDIAN);

  private EepromImage(EsiDevice device) {
    this.device = device;
  }

  static byte[] of(StationSetup setup, StationIdentity identity) {
    return new EepromImage(setup.device()).composed(setup, identity);
  }

  private byte[] composed(StationSetup setup, StationIdentity identity) {
    head(identity);
    int name = text(setup.device().name());
    int type = text(setup.device().type());
    int group = text(setup.device().group());
    List<byte[]> categories = new ArrayList<>();
    StationSetup delivered = new StationSetup(setup.device(), setup.modules(), null);
    for (Direction direction : List.of(Direction.INPUTS, Direction.OUTPUTS)) {
      ByteBuffer pdos = room();
      delivered.assigned(direction).forEach(p -> pdo(p, pdos));
      boolean inputs = direction == Direction.INPUTS;
      categories.add(category(inputs ? EepromContent.INPUTS : EepromContent.OUTPUTS, taken(pdos)));
    }
    out.put(category(EepromContent.TEXTS, texts()));
    ByteBuffer general = ByteBuffer.allocate(32);
    general.put((byte) group).put((byte) 0).put((byte) type).put((byte) name).put((byte) 0);
    general.put((byte) (device.mailbox() == null ? 0 : mailboxDetails()));
    out.put(category(EepromContent.GENERAL, general.array()));
    out.put(category(EepromContent.MAPPINGS, new byte[] {1, 2, 3, 0}));
    ByteBuffer managers = room();
    device.syncManagers().forEach(s -> manager(s, managers));
    out.put(category(EepromContent.SYNC_MANAGERS, taken(managers)));
    categories.forEach(out::put);
    Arrays.fill(out.array(), out.position(), SIZE, (byte) 0xFF);
    return out.array();
  }

  private int mailboxDetails() {
    Mailbox mailbox = Objects.requireNonNull(device.mailbox());
    return (mailbox.objects() ? 1 : 0)
        | (mailbox.dictionary() ? 2 : 0)
        | (mailbox.assigns() ? 4 : 0)
        | (mailbox.maps() ? 8 : 0)
        | (mailbox.complete() ? 32 : 0);
  }

  private void head(StationIdentity identity) {
    out.putShort((short) 0x0005);
    out.putShort(2 * EepromContent.ALIAS_WORD, (short) identity.alias());
    out.putShort(EepromContent.CHECKSUM, (short) EepromContent.checksum(out.array()));
    out.position(2 * EepromContent.IDENTITY_WORD);
    out.putInt((int) identity.vendor()).putInt((int) identity.product());
    out.putInt((int) identity.revision()).putInt((int) identity.serial());
    out.position(2 * EepromContent.MAILBOX_WORD);
    if (device.mailbox() != null) {
      mailbox(MAILBOX_OUT);
      mailbox(MAILBOX_IN);
      out.putShort((short) EepromContent.OBJECTS);
    }
    out.position(2 * EepromContent.SIZE_WORD);
    out.putShort((short) (Byte.SIZE * SIZE / 1024 - 1)).putShort((short) 1);
  }

  private void mailbox(int number) {
    SyncManager area = device.syncManagers().get(number);
    out.putShort((short) area.start()).putShort((short) area.defaultSize());
  }

  /** The number a text has in the list of texts; 0 for none. */
  private int text(String text) {
    if (text.isEmpty()) {
      return 0;
    }
    if (!texts.contains(text)) {
      texts.add(text);
    }
    return texts.indexOf(text) + 1;
  }

  private byte[] texts() {
    ByteBuffer body = room().put((byte) texts.size());
    for (String text : texts) {
      byte[] bytes = text.getBytes(StandardCharsets.ISO_8859_1);
      body.put((byte) bytes.length).put(bytes);
    }
    return taken(body);
  }

  private void pdo(Pdo pdo, ByteBuffer into) {
    Integer manager = pdo.syncManager();
    into.putShort((short) pdo.index()).put((byte) pdo.entries().size());
    into.put((byte) (manager == null ? NO_SYNC_MANAGER : manager)).put((byte) 0);
    into.put((byte) text(pdo.name())).putShort((short) 0);
    for (PdoEntry entry : pdo.entries()) {
      into.putShort((short) entry.index()).put((byte) entry.subindex()).put((byte) 0);
      into.put((byte) 0).put((byte) entry.bitLength()).putShort((short) 0);
    }
  }

  private static void manager(SyncManager each, ByteBuffer into) {
    into.putShort((short) each.start()).putShort((short) each.defaultSize());
    into.put((byte) each.control()).put((byte) 0).put((byte) ENABLED);
    into.put(
        (byte)
            switch (each.purpose()) {
              case "MBoxOut" -> 1;
              case "MBoxIn" -> 2;
              case "Outputs" -> 3;
              case "Inputs" -> 4;
              default -> 0;
            });
  }

  private static ByteBuffer room() {
    return ByteBuffer.allocate(SIZE).order(ByteOrder.LITTLE_ENDIAN);
  }

  private static byte[] taken(ByteBuffer body) {
    return Arrays.copyOf(body.array(), body.position());
  }

  /** A category counts in words; an odd byte is filled up. */
  private static byte[] category(int number, byte[] body) {
    int words = (body.length + 1) / 2;
    return ByteBuffer.allocate(4 + 2 * words)
        .order(ByteOrder.LITTLE_ENDIAN)
        .putShort((short) number)
        .putShort((short) words)
        .put(body)
        .array();
  }
}
