package unimotus.workbench.live;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import unimotus.core.fieldbus.ReadRequest;
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
import unimotus.core.sheet.DriveSheet;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.Gate;
import unimotus.devices.modbus.Request;
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
  private static final int TRIES_TO_HAND_BACK = 5;
  private static final int POLLS_FOR_A_STATE = 40;
  private static final int POLL_MILLISECONDS = 25;

  private final Target target;
  private final RegisterMap map;
  private final WordProfile profile;
  private final DriveReader reader;
  private final Arming arming;
  private final Supplier<Client> clients;
  private final ReferenceLimit limit;

  /** What was written last; empty before. */
  private OptionalInt lastControlWord = OptionalInt.empty();

  /** Whether the drive has shown that word since: only then another one is somebody else's. */
  private boolean shown;

  /** What was written last; not a number before. */
  private double lastReference = Double.NaN;

  /** Whether the drive has shown that reference since. */
  private boolean referenceShown;

  /** Whether reverse is wanted of a drive that is told it by the sign of its reference. */
  private boolean backward;

  /** Something was written that nobody has taken back yet. */
  private volatile boolean owed;

  /** Tries since the last arming. */
  private volatile int triesToHandBack;

  /**
   * A link; it joins with the first request.
   *
   * @param map the drive's registers; those with a role are understood
   * @param profile its words
   */
  public LiveLink(Target target, RegisterMap map, WordProfile profile, Clock clock) {
    this(target, map, profile, new Times(clock, System::nanoTime), ReferenceLimit.NONE, Tap.NONE);
  }

  /**
   * The clocks of a link.
   *
   * @param wall tells when something was written
   * @param nanos tells how long ago; it only goes forward
   */
  public record Times(Clock wall, LongSupplier nanos) {}

  /**
   * A link whose references are limited and whose frames are looked at.
   *
   * @param map the drive's registers; those with a role are understood
   * @param profile its words
   * @param limit what of a reference the axis allows
   * @param tap is shown every frame
   */
  public LiveLink(
      Target target,
      RegisterMap map,
      WordProfile profile,
      Times times,
      ReferenceLimit limit,
      Tap tap) {
    this(
        target, map, profile, times, limit, () -> target.route().client(TIMEOUT_MILLISECONDS, tap));
  }

  /** A link over clients made by somebody else. */
  LiveLink(
      Target target,
      RegisterMap map,
      WordProfile profile,
      Times times,
      ReferenceLimit limit,
      Supplier<Client> clients) {
    this.clients = clients;
    this.target = target;
    this.map = map;
    this.profile = profile;
    this.limit = limit;
    this.arming = new Arming(target, times.wall(), times.nanos(), ARMED_FOR);
    this.reader = new DriveReader(target, map, profile, clients.get());
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
    Sample sample = reader.read();
    OptionalDouble control = sample.value(RegisterRole.CONTROL_WORD);
    shown |=
        control.isPresent()
            && lastControlWord.isPresent()
            && (int) control.getAsDouble() == lastControlWord.getAsInt();
    referenceShown |= map.entry(RegisterRole.REFERENCE).filter(r -> shows(sample, r)).isPresent();
    return sample;
  }

  /**
   * The settings that stand in registers, as the drive works with them now.
   *
   * @param progress is told how far it is
   * @throws NotDone where the drive falls silent before anything was read
   */
  public OnlineSettings settings(DriveSheet sheet, OnlineSettings.Progress progress)
      throws NotDone {
    return OnlineSettings.read(this, sheet, progress);
  }

  /** The words of the entries of one request; none, and a line in refusals, where it is refused. */
  synchronized Map<RegisterEntry, List<Integer>> registers(
      ReadRequest request, List<String> refusals) throws NotDone {
    return reader.read(request, refusals);
  }

  /**
   * Arms the link, so that it writes.
   *
   * @throws IllegalArgumentException where nobody says who
   */
  public void arm(String by) {
    arming.arm(by);
    triesToHandBack = 0;
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
   * find it running on words that nobody watches. A hand-back that failed is tried again when this
   * is called again, a few times.
   *
   * @return whether an arming was ended
   * @throws NotDone where the drive does not take it back: use the machine's own stop
   */
  public boolean expire() throws NotDone {
    boolean expired = arming.expire();
    if (owed && !isArmed() && triesToHandBack < TRIES_TO_HAND_BACK) {
      handBackAgain();
    }
    return expired;
  }

  /**
   * Says so when it is tried for the last time: a drive that refuses is not asked for ever. It
   * stays owed, and is tried once more when it is left or the program ends.
   */
  private void handBackAgain() throws NotDone {
    try {
      handBack();
    } catch (NotDone why) {
      triesToHandBack++;
      if (owed && triesToHandBack >= TRIES_TO_HAND_BACK) {
        throw new NotDone(
            "NOT HANDED BACK after %d tries, use the machine's own stop: %s"
                .formatted(TRIES_TO_HAND_BACK, why.getMessage()));
      }
      throw why;
    }
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
   * @throws NotDone where the link is not armed, the value is beyond what register, axis or drive
   *     allow, or the drive refuses
   */
  public synchronized void reference(double value) throws NotDone {
    Gate gate = arming.command();
    RegisterEntry entry = needed(RegisterRole.REFERENCE);
    double signed = backward ? -Math.abs(value) : value;
    limit.check(entry, signed);
    write(entry, signed, gate);
  }

  /**
   * Writes any register of the map.
   *
   * @throws NotDone where the link is not armed or the drive refuses
   */
  public synchronized void set(RegisterEntry entry, double value) throws NotDone {
    Gate gate = arming.command();
    if (entry.role() == RegisterRole.REFERENCE) {
      limit.check(entry, value);
    }
    write(entry, value, gate);
  }

  /**
   * Sends the words that lead to what is wanted, each after the state before it is there.
   *
   * @throws NotDone where the link is not armed, or the drive does not go on; naming the state
   */
  public synchronized void want(Intent intent) throws NotDone {
    want(intent, arming.command());
  }

  /**
   * Starts a motor that stands and lets it run while a hand holds on; {@link #letGo} ends it.
   *
   * @throws NotDone where the link is not armed, the motor runs already, the hand let go before the
   *     start was complete, or the drive does not go on
   */
  public synchronized void jog(Intent direction, Hand hand) throws NotDone {
    Gate gate = hand.gate(arming.command());
    Optional<WordState> at = read().state();
    if (at.filter(s -> s.kind() == WordState.Kind.RUNNING).isPresent()) {
      throw new NotDone("the motor runs already: stop it before a jog");
    }
    want(direction, gate);
  }

  /**
   * Ends a jog: the stop word goes out at once, over a connection of its own where the way allows
   * it. The link stays armed and the reference as it is. Does nothing where nothing had gone out.
   *
   * @throws NotDone where the drive does not take the stop word: use the machine's own stop
   */
  public void letGo(Hand hand) throws NotDone {
    hand.letGo();
    if (hand.hasSent()) {
      writeStop("jog ended", (word, over) -> lastControlWord = OptionalInt.of(word));
    }
  }

  private void want(Intent intent, Gate gate) throws NotDone {
    boolean starts = intent == Intent.START_FORWARD || intent == Intent.START_REVERSE;
    if (starts && !profile.commandsSpeed()) {
      throw new NotDone(
          "these words are of the %s mode: the reference is no speed in it, and nothing is started"
              .formatted(profile.mode().label()));
    }
    needed(RegisterRole.STATUS_WORD);
    RegisterEntry control = needed(RegisterRole.CONTROL_WORD);
    Sample sample = read();
    WordState at =
        sample
            .state()
            .orElseThrow(() -> new NotDone("the status word shows no state of the profile"));
    int before = (int) sample.value(control).orElse(lastControlWord.orElse(0));
    try {
      List<Step> way = new WordMachine(profile).way(at, intent, before);
      turnReference(intent, sample, gate);
      for (Step step : way) {
        // Where the link was disarmed meanwhile, the gate lets no further step out.
        write(control, step.word(), gate);
        await(step.then());
      }
    } catch (IllegalArgumentException byItself) {
      throw new NotDone(String.valueOf(byItself.getMessage()));
    }
  }

  /** Where no bit tells the direction the sign of the reference does. */
  private void turnReference(Intent intent, Sample sample, Gate gate) throws NotDone {
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
    limit.check(reference, wanted);
    backward = reverse;
    if (wanted != now) {
      write(reference, wanted, gate);
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
   * Disarms, writes the stop word at once, armed or not, and then a reference of nothing where
   * there is a register for it. Where the way allows it, over a connection of its own: it does not
   * wait for what is under way. On a serial port it waits for the one answer that is on its way. No
   * step of a command follows it.
   *
   * @throws NotDone where the drive does not take the stop word: use the machine's own stop
   */
  public void stop() throws NotDone {
    disarm();
    writeStop("stop", this::stopped);
  }

  /** What is done after a stop word, with the word and the connection it went over. */
  private interface AfterStop {
    void with(int word, DriveReader over);
  }

  private void writeStop(String why, AfterStop then) throws NotDone {
    int word = new WordMachine(profile).stopWord();
    Request request = request(needed(RegisterRole.CONTROL_WORD), word);
    String written = "%s: control word = %s".formatted(why, Words.hex(word));
    if (!target.route().isShared()) {
      reader.ask(request);
      arming.note(written);
      synchronized (this) {
        then.with(word, reader);
      }
      return;
    }
    try (DriveReader own = new DriveReader(target, map, profile, clients.get())) {
      own.ask(request);
      arming.note(written);
      synchronized (this) {
        // A word that was already on its way over the other connection is overruled.
        own.ask(request);
        then.with(word, own);
      }
    } catch (IOException broken) {
      throw new NotDone("%s: %s".formatted(target, broken.getMessage()));
    }
  }

  private void stopped(int word, DriveReader over) {
    owed = false;
    backward = false;
    lastControlWord = OptionalInt.of(word);
    zeroReference(over);
  }

  /** The motor is stopped already: a drive that does not take this is told, and no more. */
  private void zeroReference(DriveReader over) {
    Optional<RegisterEntry> reference = map.entry(RegisterRole.REFERENCE).filter(this::takesZero);
    if (reference.isEmpty()) {
      return;
    }
    try {
      over.ask(request(reference.get(), 0));
      lastReference = 0;
      arming.note("stop: %s = 0".formatted(reference.get().name()));
    } catch (NotDone refused) {
      arming.note("stop: reference not set to 0: " + refused.getMessage());
    }
  }

  private boolean takesZero(RegisterEntry reference) {
    return reference.access().isWritable() && reference.minimum() <= 0 && reference.maximum() >= 0;
  }

  /**
   * Gives the drive back to its controller: stop word, reference to nothing, then both are read
   * back, and the link is disarmed. What somebody else has written since stays as it is.
   *
   * @throws NotDone where something else stands there than was written: somebody else writes
   */
  public synchronized void handBack() throws NotDone {
    RegisterEntry control = needed(RegisterRole.CONTROL_WORD);
    Optional<RegisterEntry> reference = map.entry(RegisterRole.REFERENCE).filter(this::takesZero);
    int stop = new WordMachine(profile).stopWord();
    disarm();
    backward = false;
    Optional<Sample> before = readable();
    OptionalDouble found = before.map(s -> s.value(control)).orElse(OptionalDouble.empty());
    if (found.isPresent() && isForeign((int) found.getAsDouble(), stop)) {
      owed = false;
      throw new NotDone(
          "%s was left alone: its control word is %s and not the one written here, somebody else commands it"
              .formatted(target, Words.hex((int) found.getAsDouble())));
    }
    write(control, stop, Gate.OPEN);
    boolean ownReference =
        reference.isPresent() && before.filter(s -> isForeign(s, reference.get())).isEmpty();
    if (ownReference) {
      write(reference.get(), 0, Gate.OPEN);
    }
    owed = false;
    triesToHandBack = 0;
    Sample after = read();
    boolean other =
        after.value(control).orElse(stop) != stop
            || ownReference && after.value(reference.get()).orElse(0) != 0;
    if (other) {
      throw new NotDone(
          "%s was not handed back: its words are not as they were written".formatted(target));
    }
    arming.note(
        after.value(control).isPresent()
            ? "handed back and checked"
            : "handed back; its control word cannot be read, so that is not checked");
  }

  /** What stands in the drive; empty where it cannot be read, which keeps no stop word back. */
  private Optional<Sample> readable() {
    try {
      return Optional.of(read());
    } catch (NotDone unreadable) {
      return Optional.empty();
    }
  }

  /**
   * Whether somebody else wrote a control word after the one of this link was seen in the drive.
   */
  private boolean isForeign(int found, int stop) {
    return shown && found != lastControlWord.orElse(stop) && found != stop;
  }

  private boolean isForeign(Sample found, RegisterEntry reference) {
    return referenceShown && found.value(reference).isPresent() && !shows(found, reference);
  }

  /** Whether the reference that was written last stands in the drive, to a step. */
  private boolean shows(Sample found, RegisterEntry reference) {
    OptionalDouble stands = found.value(reference);
    return stands.isPresent()
        && Math.abs(stands.getAsDouble() - lastReference) <= Math.abs(reference.scale());
  }

  private void write(RegisterEntry entry, double value, Gate gate) throws NotDone {
    try {
      Request request = request(entry, value);
      reader.ask(
          request,
          send ->
              gate.pass(
                  () -> {
                    sent(entry, value);
                    send.now();
                  }));
      StringBuilder words = new StringBuilder();
      for (int word : entry.words(value)) {
        words.append(' ').append(Words.hex(word));
      }
      arming.note("%s =%s".formatted(entry.name(), words));
    } catch (IllegalArgumentException outside) {
      throw new NotDone(String.valueOf(outside.getMessage()));
    }
  }

  /** Counts from the moment it goes out: where no answer comes the drive may have taken it. */
  private void sent(RegisterEntry entry, double value) {
    owed = true;
    if (entry.role() == RegisterRole.CONTROL_WORD) {
      lastControlWord = OptionalInt.of((int) value);
      shown = false;
    }
    if (entry.role() == RegisterRole.REFERENCE) {
      lastReference = value;
      referenceShown = false;
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
