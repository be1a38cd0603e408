package unimotus.core.program;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Intent;
import unimotus.core.machine.IoAddress;
import unimotus.core.sheet.Meaning;
import unimotus.core.wiring.Meanings;

/**
 * The channels through which a program commands and watches a wired drive, from what its wires are
 * meant for.
 */
final class WiredChannels {
  private static final Map<Meaning, String> COMMANDS = new LinkedHashMap<>();
  private static final Map<Meaning, String> STATES = new LinkedHashMap<>();

  static {
    COMMANDS.put(Meaning.RUN_FORWARD, "RunForward");
    COMMANDS.put(Meaning.RUN_REVERSE, "RunReverse");
    COMMANDS.put(Meaning.START, "Start");
    COMMANDS.put(Meaning.START_REVERSE, "StartReverse");
    COMMANDS.put(Meaning.STOP, "HoldRun");
    COMMANDS.put(Meaning.DIRECTION, "TurnBackward");
    COMMANDS.put(Meaning.RESET, "ResetDrive");
    COMMANDS.put(Meaning.ENABLE, "Enable");
    COMMANDS.put(Meaning.PRESET_1, "Preset1");
    COMMANDS.put(Meaning.PRESET_2, "Preset2");
    COMMANDS.put(Meaning.PRESET_3, "Preset3");
    COMMANDS.put(Meaning.PRESET_4, "Preset4");
    STATES.put(Meaning.HEALTHY, "Healthy");
    STATES.put(Meaning.FAULT, "FaultSignal");
    STATES.put(Meaning.READY, "ReadySignal");
    STATES.put(Meaning.RUNNING, "RunningSignal");
    STATES.put(Meaning.AT_SPEED, "AtSpeed");
  }

  private final AxisAssembly axis;
  private final Map<Meaning, Channel> commands = new EnumMap<>(Meaning.class);
  private final Map<Meaning, Channel> states = new EnumMap<>(Meaning.class);
  private final Optional<Channel> reference;
  private final Optional<Channel> answer;

  /**
   * Finds them.
   *
   * @throws IllegalArgumentException where an analog one counts to more than a word holds
   */
  WiredChannels(AxisAssembly axis) {
    this.axis = axis;
    for (Intent intent : Meanings.of(axis)) {
      if (intent.input().device().equals(axis.drive().id())) {
        command(intent);
      } else if (intent.input().device().equals(axis.controller().id())) {
        state(intent);
      }
    }
    String output = axis.axis().reference().output();
    String input = axis.axis().answer().isWired() ? axis.axis().answer().input() : null;
    this.reference =
        Optional.ofNullable(output).map(o -> analog("ReferenceRaw", o, "counts of the reference"));
    this.answer =
        Optional.ofNullable(input).map(i -> analog("AnswerRaw", i, "counts of the answer"));
  }

  private void command(Intent intent) {
    String name = COMMANDS.get(intent.meaning());
    if (name == null || commands.containsKey(intent.meaning())) {
      return;
    }
    intent.when().stream()
        .filter(c -> c.device().equals(axis.controller().id()))
        .findFirst()
        .ifPresent(c -> commands.put(intent.meaning(), binary(name, intent, c)));
  }

  private Channel binary(String name, Intent intent, Condition condition) {
    String comment =
        "%s %s of %s, %s at %s of the drive"
            .formatted(
                condition.holds() ? "output" : "output off at",
                condition.state(),
                axis.controller().name(),
                intent.meaning().label(),
                intent.input().terminal());
    return channel(new Variable(name, "BOOL", comment), condition.state(), condition.holds());
  }

  private void state(Intent intent) {
    String name = STATES.get(intent.meaning());
    if (name != null && !states.containsKey(intent.meaning())) {
      String terminal = intent.input().terminal();
      String comment =
          "input %s of %s: %s"
              .formatted(terminal, axis.controller().name(), intent.meaning().label());
      states.put(intent.meaning(), channel(new Variable(name, "BOOL", comment), terminal, true));
    }
  }

  private Channel analog(String name, String terminal, String comment) {
    int full = WiredProgram.fullScale(axis, terminal);
    if (full > 0xFFFF) {
      throw new IllegalArgumentException(
          "%s of %s counts to %d, more than a word holds"
              .formatted(terminal, axis.controller().name(), full));
    }
    String type = full > Short.MAX_VALUE ? "UINT" : "INT";
    String words =
        "channel %s of %s: %s, %d at full scale"
            .formatted(terminal, axis.controller().name(), comment, full);
    return channel(new Variable(name, type, words), terminal, true);
  }

  private Channel channel(Variable variable, String terminal, boolean straight) {
    IoAddress address = axis.controller().addresses().get(terminal);
    return new Channel(variable, terminal, address, straight);
  }

  /**
   * Looks at the addresses.
   *
   * @throws IllegalArgumentException where a channel has none, or one that cannot be right
   */
  void check() {
    for (Channel channel : all()) {
      if (channel.address() == null) {
        throw new IllegalArgumentException(
            "%s of %s has no address".formatted(channel.terminal(), axis.controller().name()));
      }
      AddressChecks.doubt(axis.controller(), axis.controllerSheet(), channel.terminal())
          .ifPresent(
              doubt -> {
                throw new IllegalArgumentException(doubt);
              });
    }
  }

  /** All channels, those written first. */
  List<Channel> all() {
    List<Channel> all = new ArrayList<>(written());
    all.addAll(read());
    return all;
  }

  boolean commands(Meaning meaning) {
    return commands.containsKey(meaning);
  }

  boolean tells(Meaning meaning) {
    return states.containsKey(meaning);
  }

  Optional<Channel> command(Meaning meaning) {
    return Optional.ofNullable(commands.get(meaning));
  }

  /** The channels written, commands first. */
  List<Channel> written() {
    List<Channel> written = new ArrayList<>(commands.values());
    reference.ifPresent(written::add);
    return written;
  }

  /** The channels read, states first. */
  List<Channel> read() {
    List<Channel> read = new ArrayList<>(states.values());
    answer.ifPresent(read::add);
    return read;
  }

  Optional<Channel> reference() {
    return reference;
  }

  Optional<Channel> answer() {
    return answer;
  }

  /** How many preset inputs the program switches, from the first on. */
  int presets() {
    int count = 0;
    for (Meaning meaning : Meaning.values()) {
      if (meaning.isPreset() && commands(meaning)) {
        count = Math.max(count, meaning.preset());
      }
    }
    return count;
  }
}
