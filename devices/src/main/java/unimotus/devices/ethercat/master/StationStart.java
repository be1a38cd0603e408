package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.StationState;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.Place;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.mailbox.MailFault;
import unimotus.devices.ethercat.mailbox.ObjectClient;

/**
 * Brings one station up, step by step: mailbox, start-up list, process data. Each step goes out
 * only where a gate lets it.
 */
public final class StationStart {
  private static final int MILLISECONDS = 5000;
  private static final int MAIL_MILLISECONDS = 1000;
  private static final int ASSIGNED_OUTPUTS = 0x1C12;
  private static final int ASSIGNED_INPUTS = 0x1C13;
  private static final int OUTPUTS = 3;
  private static final int INPUTS = 4;
  private static final int MAPPING_REGISTERS = 16;
  private static final int WHOLE_BYTES = 7;

  private final StationLink station;
  private final EepromContent content;
  private final Gate gate;
  private final MailPost post;
  private final ObjectClient objects;

  /**
   * What came of one object of the list.
   *
   * @param command what was written
   * @param refusal why it was not taken; empty where it was
   */
  public record Written(StartUpCommand command, String refusal) {}

  /**
   * How long the image of a station is.
   *
   * @param outputs bytes to the station
   * @param inputs bytes from it
   */
  public record ImageSize(int outputs, int inputs) {}

  /** Steps for a station whose EEPROM was read. */
  public StationStart(StationLink station, EepromContent content, Gate gate) {
    this.station = station;
    this.content = content;
    this.gate = gate;
    this.post = new MailPost(station, content, MAIL_MILLISECONDS);
    this.objects = new ObjectClient(post);
  }

  /** The station. */
  public StationLink station() {
    return station;
  }

  /** What its EEPROM says. */
  EepromContent content() {
    return content;
  }

  /** Its objects, from PRE-OP on. What is written to them is not asked of a gate. */
  public ObjectClient objects() {
    return objects;
  }

  /**
   * Back to INIT: outputs count no longer, nothing is configured.
   *
   * @throws IOException where it does not go there
   */
  public void reset() throws IOException {
    station.acknowledge();
    station.request(StationState.INIT, MILLISECONDS, StationLink.Meanwhile.NOTHING, Gate.OPEN);
  }

  /**
   * Opens its mailbox: PRE-OP. One that is there already stays where it is.
   *
   * @throws IOException where it refuses, or does not answer
   */
  public void mailbox() throws IOException {
    StationLink.Standing now = station.standing();
    if (now.isRefused()) {
      station.acknowledge();
    }
    if (now.state() == StationState.INIT) {
      int mappings = Byte.toUnsignedInt(station.read(Place.MAPPING_COUNT, 1)[0]);
      station.write(Place.MAPPINGS, new byte[MAPPING_REGISTERS * mappings]);
      for (int number = 0; number < 2; number++) {
        EepromContent.Area area = content.mailbox().get(number);
        if (area.length() > 0) {
          manager(number, area.start(), area.length());
        }
      }
      step(StationState.PRE_OP, StationLink.Meanwhile.NOTHING);
    }
    if (content.mailbox().get(1).length() > 0) {
      post.empty();
    }
  }

  private void step(StationState state, StationLink.Meanwhile meanwhile) throws IOException {
    station.request(state, MILLISECONDS, meanwhile, gate);
  }

  private void manager(int number, int start, int length) throws IOException {
    int control =
        number < content.managers().size()
            ? content.managers().get(number).control()
            : number == 0 ? 0x26 : 0x22;
    byte[] registers =
        ByteBuffer.allocate(8)
            .order(ByteOrder.LITTLE_ENDIAN)
            .putShort((short) start)
            .putShort((short) length)
            .put((byte) control)
            .put((byte) 0)
            .put((byte) (length > 0 ? 1 : 0))
            .put((byte) 0)
            .array();
    station.write(Place.SYNC_MANAGERS + 8 * number, registers);
  }

  /**
   * Writes those objects of a list that belong to a change of state, in their order. All are
   * written, also behind one that is refused.
   *
   * @throws IOException where the station does not answer
   */
  public List<Written> startUp(List<StartUpCommand> list, String transition) throws IOException {
    List<Written> written = new ArrayList<>();
    post.through(gate);
    try {
      for (StartUpCommand each : list) {
        if (each.transition().equals(transition)) {
          written.add(new Written(each, write(each)));
        }
      }
    } finally {
      post.through(Gate.OPEN);
    }
    return written;
  }

  /**
   * Writes an object where a gate lets each of its mails out.
   *
   * @throws Aborted where the station refuses
   * @throws MailFault where it does not follow
   * @throws IOException where it does not answer, or the gate keeps it back
   */
  public void write(int index, int subindex, byte[] data, Gate letting)
      throws IOException, Aborted, MailFault {
    post.through(letting);
    try {
      objects.write(index, subindex, data);
    } finally {
      post.through(Gate.OPEN);
    }
  }

  private String write(StartUpCommand each) throws IOException {
    try {
      objects.write(each.index(), each.subindex(), HexFormat.of().parseHex(each.data()));
      return "";
    } catch (Aborted | MailFault refused) {
      return String.valueOf(refused.getMessage());
    }
  }

  /**
   * How long the image is by the station's own objects.
   *
   * @throws IOException where it does not tell
   */
  public ImageSize imageSize() throws IOException {
    return new ImageSize(bytes(ASSIGNED_OUTPUTS), bytes(ASSIGNED_INPUTS));
  }

  private int bytes(int assignment) throws IOException {
    int bits = 0;
    try {
      for (long pdo : listed(assignment)) {
        for (long entry : listed((int) pdo)) {
          bits += (int) (entry & 0xFF);
        }
      }
    } catch (Aborted | MailFault none) {
      throw new Unexpected(
          "%s does not tell what is in its image: %s".formatted(station, none.getMessage()));
    }
    return (bits + Byte.SIZE - 1) / Byte.SIZE;
  }

  private List<Long> listed(int index) throws IOException, Aborted, MailFault {
    List<Long> values = new ArrayList<>();
    long count = number(objects.read(index, 0));
    for (int i = 1; i <= count; i++) {
      values.add(number(objects.read(index, i)));
    }
    return values;
  }

  private static long number(byte[] bytes) {
    long value = 0;
    for (int i = bytes.length - 1; i >= 0; i--) {
      value = value << Byte.SIZE | Byte.toUnsignedLong(bytes[i]);
    }
    return value;
  }

  /**
   * Lays its image into the logical memory: outputs first, inputs behind them. SAFE-OP.
   *
   * @param logical the first byte there
   * @throws IOException where it refuses, or does not answer
   */
  public void processData(long logical, ImageSize size) throws IOException {
    int mapping = 0;
    for (int number = 0; number < content.managers().size(); number++) {
      EepromContent.Manager each = content.managers().get(number);
      boolean isOutput = each.purpose() == OUTPUTS;
      if (isOutput || each.purpose() == INPUTS) {
        int length = isOutput ? size.outputs() : size.inputs();
        manager(number, each.area().start(), length);
        if (length > 0) {
          long at = logical + (isOutput ? 0 : size.outputs());
          map(mapping, at, length, each.area().start(), isOutput);
          mapping++;
        }
      }
    }
    step(StationState.SAFE_OP, StationLink.Meanwhile.NOTHING);
  }

  private void map(int number, long logical, int length, int place, boolean isOutput)
      throws IOException {
    byte[] registers =
        ByteBuffer.allocate(MAPPING_REGISTERS)
            .order(ByteOrder.LITTLE_ENDIAN)
            .putInt((int) logical)
            .putShort((short) length)
            .put((byte) 0)
            .put((byte) WHOLE_BYTES)
            .putShort((short) place)
            .put((byte) 0)
            .put((byte) (isOutput ? 2 : 1))
            .put((byte) 1)
            .array();
    station.write(Place.MAPPINGS + MAPPING_REGISTERS * number, registers);
  }

  /**
   * Lets its outputs count: OP.
   *
   * @param process exchanged meanwhile, so that its watchdog is content; null for none
   * @throws IOException where it refuses, or does not answer
   */
  public void operate(StationLink.@Nullable Meanwhile process) throws IOException {
    step(StationState.OP, process == null ? StationLink.Meanwhile.NOTHING : process);
  }
}
