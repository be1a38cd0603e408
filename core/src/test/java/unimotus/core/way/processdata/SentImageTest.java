package unimotus.core.way.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.FixtureStations;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.PdoEntry;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ImageEntry;
import unimotus.core.processdata.StationDesign;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** Bits of an image against bytes laid by hand, the least significant first (ETG.1000.6). */
class SentImageTest {
  /** Enable operation with the bits of velocity mode, and without (IEC 61800-7-201). */
  private static final int RUN_VELOCITY = 0x7F;

  private static final int RUN_PROFILE = 0x0F;
  private static final int CASES = 4000;
  private static final int ROOM = 64;

  @Test
  void everyOtherPlaceReadsWhatStandsThere() {
    Random random = new Random(18);
    for (int i = 0; i < CASES; i++) {
      boolean wide = random.nextBoolean();
      ByteBuffer bytes = ByteBuffer.allocate(ROOM).order(ByteOrder.LITTLE_ENDIAN);
      List<PdoEntry> entries = new ArrayList<>();
      int at = 8;
      entries.add(FixtureStations.CONTROL);
      bytes.putShort(at, (short) (wide ? RUN_PROFILE : RUN_VELOCITY));
      at += 2;
      if (random.nextBoolean()) {
        entries.add(FixtureStations.MODE);
        bytes.put(at++, (byte) (wide ? 3 : 2));
      }
      for (int pads = random.nextInt(3); pads > 0; pads--) {
        int length = 1 + random.nextInt(3);
        entries.add(PdoEntry.padding(8 * length));
        at += length;
      }
      entries.add(wide ? FixtureStations.PROFILE : FixtureStations.VELOCITY);
      int raw = wide ? random.nextInt() : (short) random.nextInt();
      if (wide) {
        bytes.putInt(at, raw);
      } else {
        bytes.putShort(at, (short) raw);
      }
      SentImage sent = sent(entries, wide);
      int shift = random.nextInt(6) - 2;
      assertThat(sent.read(raw, 8 * shift, ValueType.SIGNED_16))
          .isEqualTo(bytes.getShort(at + shift));
      assertThat(sent.read(raw, 8 * shift, ValueType.UNSIGNED_32))
          .isEqualTo(Integer.toUnsignedLong(bytes.getInt(at + shift)));
      int turned = wide ? Integer.reverseBytes(raw) : Short.reverseBytes((short) raw);
      assertThat(sent.swapped(raw, wide ? new int[] {3, 2, 1, 0} : new int[] {1, 0}))
          .isEqualTo(turned);
      if (wide) {
        assertThat(sent.writtenAs(raw, ValueType.FLOAT_32))
            .isEqualTo(Float.floatToIntBits((float) raw));
      }
    }
  }

  private static SentImage sent(List<PdoEntry> entries, boolean wide) {
    EsiDevice device =
        FixtureStations.device(FixtureStations.RPM, entries.toArray(PdoEntry[]::new));
    AxisAssembly axis = FixtureStations.axis(device, FixtureStations.mode(wide ? 3 : 2));
    DriveImage image =
        DriveImage.of(StationDesign.of(axis.stations().get(0), axis.descriptions())).orElseThrow();
    ImageEntry entry = image.entry(ValueRole.REFERENCE).orElseThrow();
    return new SentImage(image, entry);
  }
}
