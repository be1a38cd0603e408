package unimotus.devices.ethercat.master;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.processdata.ObjectAbort;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramPart;
import unimotus.devices.ethercat.explain.ExplainedTelegram;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.station.TestStations;
import unimotus.devices.ethercat.wire.RingServer;
import unimotus.devices.ethercat.wire.UdpWire;
import unimotus.devices.modbus.Analyser;

/**
 * Whole conversations – scan, start-up, objects, process data, errors – through an independent
 * protocol analyser, both directions, the mails in them included.
 */
class IndependentConversationTest {
  private static final int ETHERNET = 1;
  private static final int LEAST_FRAME = 60;

  @TempDir Path folder;

  private final List<byte[]> frames = new ArrayList<>();
  private final List<Boolean> directions = new ArrayList<>();

  /** What the test asked for, in the order asked: object, and the abort that came. */
  private final List<String> meant = new ArrayList<>();

  @BeforeAll
  static void isThere() {
    Analyser.assumeThere("conversations were not decoded independently");
  }

  private static byte[] capture(List<byte[]> telegrams) {
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    ByteBuffer head = ByteBuffer.allocate(24).order(ByteOrder.LITTLE_ENDIAN);
    head.putInt(0xA1B2C3D4).putShort((short) 2).putShort((short) 4).putLong(0);
    all.writeBytes(head.putInt(262_144).putInt(ETHERNET).array());
    for (int i = 0; i < telegrams.size(); i++) {
      byte[] content = telegrams.get(i);
      ByteBuffer frame = ByteBuffer.allocate(Math.max(LEAST_FRAME, 14 + content.length));
      frame.put(new byte[] {-1, -1, -1, -1, -1, -1, 2, 0, 0, 0, 0, 1});
      frame.putShort((short) Telegram.ETHERNET_TYPE).put(content);
      int length = frame.capacity();
      ByteBuffer each = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
      all.writeBytes(each.putInt(i).putInt(0).putInt(length).putInt(length).array());
      all.writeBytes(frame.array());
    }
    return all.toByteArray();
  }

  private List<String> decoded(String... fields) throws Exception {
    Path file = folder.resolve("conversation.pcap");
    Files.write(file, capture(frames));
    List<String> command =
        new ArrayList<>(List.of("/usr/bin/tshark", "-r", file.toString(), "-T", "fields"));
    command.addAll(List.of("-E", "separator=;", "-E", "occurrence=a"));
    for (String field : fields) {
      command.addAll(List.of("-e", field));
    }
    Process process =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).isZero();
    return text.lines().toList();
  }

  private void access(StationStart start, Random random) throws Exception {
    int[][] objects = {
      {0x1018, 1}, {0x2000, 0}, {0x2001, 0}, {0x3003, 0}, {0x5FFF, 0}, {0x1018, 77}, {0x2002, 0}
    };
    int[] one = objects[random.nextInt(objects.length)];
    String abort = "";
    try {
      if (random.nextInt(3) == 0) {
        start.objects().write(one[0], one[1], new byte[one[0] == 0x2001 ? 200 : 2]);
      } else {
        start.objects().read(one[0], one[1]);
      }
    } catch (Aborted aborted) {
      abort = "0x%08x".formatted(aborted.code());
      assertThat(ObjectAbort.of(aborted.code())).isPresent();
    }
    meant.add("0x%04x;%s".formatted(one[0], abort));
  }

  private void converse() throws Exception {
    List<Station> stations =
        List.of(
            TestStations.odd(1, System::nanoTime),
            TestStations.drive(2, System::nanoTime),
            TestStations.odd(3, System::nanoTime));
    Random random = new Random(3);
    try (RingServer server = RingServer.udp(new Ring(stations), 0);
        Exchange exchange =
            new Exchange(
                UdpWire.to("127.0.0.1", server.port()),
                500,
                3,
                (sent, bytes) -> {
                  frames.add(bytes);
                  directions.add(sent);
                })) {
      List<FoundStation> found = BusScan.scan(exchange);
      CyclicImage image = new CyclicImage();
      List<StationStart> starts = new ArrayList<>();
      for (FoundStation each : found) {
        StationStart start =
            new StationStart(
                new StationLink(exchange, each.position(), each.address()),
                each.eeprom().orElseThrow(),
                Gate.OPEN);
        start.mailbox();
        CyclicImage.Member member =
            image.add(
                each.position() == 1
                    ? new StationStart.ImageSize(4, 4)
                    : new StationStart.ImageSize(7, 7));
        start.processData(CyclicImage.START + member.at(), member.size());
        starts.add(start);
      }
      for (StationStart start : starts) {
        start.operate(() -> image.exchange(exchange, Gate.OPEN));
      }
      for (int i = 0; i < 400; i++) {
        image.exchange(exchange, Gate.OPEN);
      }
      for (int i = 0; i < 150; i++) {
        access(starts.get(0), random);
      }
      starts.get(2).objects().describe(0x2000);
      starts.get(2).objects().objects();
    }
  }

  @Test
  void everythingIsSeenAsItWasMeant() throws Exception {
    converse();
    assertThat(frames).hasSizeGreaterThan(2000);
    List<String> seen =
        decoded("ecatf.length", "ecat.cmd", "ecat.idx", "ecat.cnt", "_ws.malformed");
    int same = 0;
    for (int i = 0; i < frames.size(); i++) {
      ByteBuffer frame = ByteBuffer.wrap(frames.get(i)).order(ByteOrder.LITTLE_ENDIAN);
      int length = frame.getShort(0) & 0x7FF;
      int counter = Short.toUnsignedInt(frame.getShort(length));
      assertThat(seen.get(i))
          .isEqualTo(
              "0x%04x;0x%02x;0x%02x;%d;"
                  .formatted(length, frame.get(2), frame.get(3) & 0xFF, counter));
      same++;
    }
    mails();
    explained();
    System.out.printf("telegrams of conversations decoded alike: %d of %d%n", same, frames.size());
  }

  /** Each part that is told, beside the field the analyser finds there. */
  private void explained() throws Exception {
    List<String> seen =
        decoded(
            "ecat_mailbox.length",
            "ecat_mailbox.coe.sdoidx",
            "ecat_mailbox.coe.sdosub",
            "ecat_mailbox.coe.abortcode",
            "ecat_mailbox.coe.sdoinfoindex",
            "ecat.syncman.start",
            "ecat.syncman.len",
            "ecat.fmmu.lstart",
            "ecat.fmmu.llen");
    int mails = 0;
    int registers = 0;
    for (int i = 0; i < frames.size(); i++) {
      List<TelegramPart> parts = ExplainedTelegram.of(frames.get(i)).parts();
      String[] cells = seen.get(i).split(";", -1);
      // The analyser names no object beside an abort.
      boolean isAbort = !cells[3].isEmpty();
      String mail =
          "%s;%s;%s;%s"
              .formatted(
                  first(parts, "mail length").replace(" bytes", ""),
                  isAbort ? "" : first(parts, "object"),
                  isAbort ? "" : first(parts, "subindex"),
                  first(parts, "abort").split(",")[0].toLowerCase(Locale.ROOT));
      String object = cells[1].isEmpty() ? cells[4] : cells[1];
      assertThat(mail)
          .isEqualTo(
              "%s;%s;%s;%s"
                  .formatted(
                      cells[0],
                      object.toUpperCase(Locale.ROOT).replace('X', 'x'),
                      cells[2].isEmpty() ? "" : String.valueOf(Integer.decode(cells[2])),
                      cells[3]));
      mails += cells[0].isEmpty() ? 0 : 1;
      if (!cells[5].isEmpty() && cells[5].split(",").length == 1) {
        assertThat(meaning(parts, "sync manager"))
            .startsWith(
                "from 0x%04X, %d bytes,"
                    .formatted(Integer.decode(cells[5]), Integer.decode(cells[6])));
        registers++;
      }
      if (!cells[7].isEmpty() && cells[7].split(",").length == 1) {
        assertThat(meaning(parts, "memory mapping"))
            .startsWith(
                "logical 0x%08X, %d bytes,"
                    .formatted(Long.decode(cells[7]), Integer.decode(cells[8])));
        registers++;
      }
    }
    System.out.printf("mails explained alike: %d, registers: %d%n", mails, registers);
    assertThat(mails).isGreaterThan(300);
    assertThat(registers).isGreaterThan(10);
  }

  private static String first(List<TelegramPart> parts, String name) {
    return parts.stream()
        .filter(p -> p.name().equals(name))
        .map(TelegramPart::meaning)
        .findFirst()
        .orElse("");
  }

  private static String meaning(List<TelegramPart> parts, String begins) {
    return parts.stream()
        .filter(p -> p.name().startsWith(begins))
        .map(TelegramPart::meaning)
        .findFirst()
        .orElse("");
  }

  /** The accesses that began, in order: those that went out, each with its answer. */
  private void mails() throws Exception {
    List<String> seen =
        decoded(
            "ecat.cmd",
            "ecat_mailbox.coe.type",
            "ecat_mailbox.coe.sdoidx",
            "ecat_mailbox.coe.abortcode",
            "ecat_mailbox.coe.sdoreq");
    List<String> asked = new ArrayList<>();
    for (int i = 0; i < seen.size(); i++) {
      String[] cells = seen.get(i).split(";", -1);
      boolean isRequest = directions.get(i) && !cells[1].isEmpty() && !cells[2].isEmpty();
      if (isRequest) {
        asked.add(cells[2] + ";");
      } else if (!directions.get(i) && !cells[3].isEmpty()) {
        asked.set(asked.size() - 1, asked.get(asked.size() - 1) + cells[3]);
      }
    }
    // Segments name no object; so each access stands there once.
    assertThat(asked).containsExactlyElementsOf(meant);
  }
}
