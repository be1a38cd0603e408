package unimotus.workbench.live;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.profile.Words;
import unimotus.core.quantity.QuantityFormat;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Tap;

/**
 * A drive on the bus, looked at freely and commanded only while armed. Arming ends by itself after
 * a while without a command; everything that is written is logged. Reading and commanding wait for
 * the drive; arming, disarming and asking about it do not.
 */
public final class LiveLink implements AutoCloseable {
  /** Without a command the link disarms itself after this time. */
  public static final Duration ARMED_FOR = Duration.ofMinutes(2);

  private static final int TIMEOUT_MILLISECONDS = 1000;
  private static final int POLLS_FOR_A_STATE = 40;
  private static final int POLL_MILLISECONDS = 25;

  private final Target target;
  private final RegisterMap map;
  private final WordProfile profile;
  private final DriveReader reader;
  private final Arming arming;
  private final Tap tap;
  private int lastControlWord;

  /** What was written last; not a number before. */
  private double lastReference = Double.NaN;

  /** Whether reverse is wanted of a drive that is told it by the sign of its reference. */
  private boolean backward;

  /** Something was written that nobody has taken back yet. */
  private volatile boolean owed;

  /**
   * A link; it joins with the first request.
   *
   * @param map the drive's registers; those with a role are understood
   * @param profile its words
   */
  public LiveLink(Target target, RegisterMap map, WordProfile profile, Clock clock) {
    this(target, map, profile, clock, Tap.NONE);
  }

  /**
   * A link whose frames are looked at.
   *
   * @param map the drive's registers; those with a role are understood
   * @param profile its words
   * @param tap is shown every frame
   */
  public LiveLink(Target target, RegisterMap map, WordProfile profile, Clock clock, Tap tap) {
    this.tap = tap;
    this.target = target;
    this.map = map;
    this.profile = profile;
    this.arming = new Arming(target, clock, ARMED_FOR);
    this.reader =
        new DriveReader(target, map, profile, target.route().client(TIMEOUT_MILLISECONDS, tap));
  }

  /** Where it goes. */
  public Target target() {
    return target;
  }

  /** The registers it reads. */
  public RegisterMap map() {
    return map;
  }

  /** What was written, when and by whom it was armed, in order. */
  public List<String> log() {
    return arming.log();
  }

  /**
   * Who the device says it is (43/14): maker, product, version, as far as it tells.
   *
   * @throws NotDone where it does not tell
   */
  public synchronized List<String> identity() throws NotDone {
    return reader.identity();
  }

  /**
   * Reads the whole map.
   *
   * @throws NotDone where the drive does not answer, answers otherwise than asked, or refuses
   *     everything
   */
  public synchronized Sample read() throws NotDone {
    return reader.read();
  }

  /**
   * Arms the link, so that it writes.
   *
   * @throws IllegalArgumentException where nobody says who
   */
  public void arm(String by) {
    arming.arm(by);
  }

  /** Ends it. */
  public void disarm() {
    arming.disarm();
  }

  /** Whether it writes now. */
  public boolean isArmed() {
    return arming.isArmed();
  }

  /**
   * Ends an arming that is too old and hands the drive back, where it was commanded: nobody shall
   * find it running on words that nobody watches. A hand-back that failed is tried again each time
   * this is called.
   *
   * @return whether an arming was ended
   * @throws NotDone where the drive does not take it back: use the machine's own stop
   */
  public boolean expire() throws NotDone {
    boolean expired = arming.expire();
    if (owed && !isArmed()) {
      handBack();
    }
    return expired;
  }

  /**
   * Whether the drive stands on words of this link that were not taken back. A drive that was armed
   * and not commanded is none of its business.
   */
  public boolean isOwed() {
    return owed;
  }

  /**
   * Sets the reference, in the unit of its register. After a start in reverse that is told by the
   * sign a value without one does not turn the motor.
   *
   * @throws NotDone where the link is not armed or the drive refuses
   */
  public synchronized void reference(double value) throws NotDone {
    arming.command();
    write(needed(RegisterRole.REFERENCE), backward ? -Math.abs(value) : value);
  }

  /**
   * Writes any register of the map.
   *
   * @throws NotDone where the link is not armed or the drive refuses
   */
  public synchronized void set(RegisterEntry entry, double value) throws NotDone {
    arming.command();
    write(entry, value);
  }

  /**
   * Sends the words that lead to what is wanted, each after the state before it is there.
   *
   * @throws NotDone where the link is not armed, or the drive does not go on; naming the state
   */
  public synchronized void want(Intent intent) throws NotDone {
    arming.command();
    needed(RegisterRole.STATUS_WORD);
    RegisterEntry control = needed(RegisterRole.CONTROL_WORD);
    Sample sample = read();
    WordState at =
        sample
            .state()
            .orElseThrow(() -> new NotDone("the status word shows no state of the profile"));
    int before = (int) sample.value(control).orElse(lastControlWord);
    try {
      List<Step> way = new WordMachine(profile).way(at, intent, before);
      turnReference(intent, sample);
      for (Step step : way) {
        // A stop meanwhile has disarmed the link: no further step goes out.
        arming.command();
        write(control, step.word());
        await(step.then());
      }
    } catch (IllegalArgumentException byItself) {
      throw new NotDone(String.valueOf(byItself.getMessage()));
    }
  }

  /** Where no bit tells the direction the sign of the reference does. */
  private void turnReference(Intent intent, Sample sample) throws NotDone {
    boolean reverse = intent == Intent.START_REVERSE;
    if (profile.direction().isInTheWord() || !reverse && intent != Intent.START_FORWARD) {
      return;
    }
    RegisterEntry reference = needed(RegisterRole.REFERENCE);
    if (!reverse && reference.minimum() >= 0) {
      return;
    }
    if (reverse && reference.minimum() >= 0) {
      throw new NotDone(
          "no bit of these words turns the direction, and %s takes no negative value, %s at least"
              .formatted(reference.name(), QuantityFormat.PLAIN.number(reference.minimum())));
    }
    double now = sample.value(reference).orElse(lastReference);
    if (Double.isNaN(now)) {
      throw new NotDone(
          "%s cannot be read, so its sign is not known: write it first"
              .formatted(reference.name()));
    }
    double wanted = reverse ? -Math.abs(now) : Math.abs(now);
    backward = reverse;
    if (wanted != now) {
      write(reference, wanted);
    }
  }

  private RegisterEntry needed(RegisterRole role) throws NotDone {
    return map.entry(role)
        .orElseThrow(
            () ->
                new NotDone(
                    "no register has the role '%s': give it to one under Registers"
                        .formatted(role.label())));
  }

  private void await(WordState wanted) throws NotDone {
    for (int i = 0; i < POLLS_FOR_A_STATE; i++) {
      Sample sample = read();
      if (sample.state().filter(wanted::equals).isPresent()) {
        return;
      }
      pause();
    }
    throw new NotDone(
        "the drive did not come to '%s' within %d ms"
            .formatted(wanted.name(), POLLS_FOR_A_STATE * POLL_MILLISECONDS));
  }

  private static void pause() throws NotDone {
    try {
      Thread.sleep(POLL_MILLISECONDS);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
      throw new NotDone("ended while waiting for the drive");
    }
  }

  /**
   * Disarms and writes the stop word at once, armed or not. Where the way allows it, over a
   * connection of its own: it does not wait for what is under way. On a serial port it waits for
   * the one answer that is on its way. No step of a command follows it.
   *
   * @throws NotDone where the drive does not take it: use the machine's own stop
   */
  public void stop() throws NotDone {
    disarm();
    int word = new WordMachine(profile).stopWord();
    Request request = request(needed(RegisterRole.CONTROL_WORD), word);
    if (!target.route().isShared()) {
      reader.ask(request);
      owed = false;
      arming.note("stop: control word = " + Words.hex(word));
      return;
    }
    try (Client own = target.route().client(TIMEOUT_MILLISECONDS, tap)) {
      stopWord(own, request);
      arming.note("stop: control word = " + Words.hex(word));
      synchronized (this) {
        // A word that was already on its way when the link was disarmed is overruled.
        stopWord(own, request);
        owed = false;
      }
    } catch (IOException | FrameFault broken) {
      throw new NotDone("%s: %s".formatted(target, broken.getMessage()));
    }
  }

  private void stopWord(Client own, Request request) throws IOException, FrameFault, NotDone {
    Response answer = own.ask(target.unit(), request);
    if (answer instanceof Response.Refusal refusal) {
      throw new NotDone("%s refused: %s".formatted(target, refusal.words()));
    }
  }

  /**
   * Gives the drive back to its controller: stop word, reference to nothing, then both are read
   * back, and the link is disarmed.
   *
   * @throws NotDone where something else stands there than was written: somebody else writes
   */
  public synchronized void handBack() throws NotDone {
    int stop = new WordMachine(profile).stopWord();
    RegisterEntry control = needed(RegisterRole.CONTROL_WORD);
    Optional<RegisterEntry> reference = map.entry(RegisterRole.REFERENCE);
    write(control, stop);
    if (reference.isPresent()) {
      write(reference.get(), 0);
    }
    owed = false;
    backward = false;
    Sample sample = read();
    disarm();
    OptionalDouble stands = sample.value(control);
    boolean other =
        stands.isPresent() && stands.getAsDouble() != stop
            || reference.map(sample::value).orElse(OptionalDouble.empty()).orElse(0) != 0;
    if (other) {
      throw new NotDone(
          "%s was not handed back: its words are not as they were written".formatted(target));
    }
    arming.note(
        stands.isPresent()
            ? "handed back and checked"
            : "handed back; its control word cannot be read, so that is not checked");
  }

  private void write(RegisterEntry entry, double value) throws NotDone {
    try {
      // Also where no answer comes: the drive may have taken it.
      Request request = request(entry, value);
      owed = true;
      reader.ask(request);
      if (entry.role() == RegisterRole.CONTROL_WORD) {
        lastControlWord = (int) value;
      }
      if (entry.role() == RegisterRole.REFERENCE) {
        lastReference = value;
      }
      StringBuilder sent = new StringBuilder();
      for (int word : entry.words(value)) {
        sent.append(' ').append(Words.hex(word));
      }
      arming.note("%s =%s".formatted(entry.name(), sent));
    } catch (IllegalArgumentException outside) {
      throw new NotDone(String.valueOf(outside.getMessage()));
    }
  }

  private static Request request(RegisterEntry entry, double value) {
    int[] words = entry.words(value);
    if (entry.table() == RegisterTable.COIL) {
      return new Request.WriteOne(5, entry.address(), words[0]);
    }
    if (words.length == 1) {
      return new Request.WriteOne(6, entry.address(), words[0]);
    }
    List<Integer> values = new ArrayList<>();
    for (int word : words) {
      values.add(word);
    }
    return new Request.WriteMany(16, entry.address(), values);
  }

  @Override
  public void close() throws IOException {
    reader.close();
  }
}
