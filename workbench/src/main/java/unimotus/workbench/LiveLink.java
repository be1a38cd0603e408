package unimotus.workbench;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.ReadRequest;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.profile.Words;
import unimotus.devices.drive.DriveRegisters;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.TcpClient;

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
  private final WordProfile profile;
  private final Clock clock;
  private final TcpClient client;
  private final List<ReadRequest> requests;
  private final List<String> log = Collections.synchronizedList(new ArrayList<>());

  /** When it was armed or last commanded; null while it is not armed. */
  private final AtomicReference<@Nullable Instant> lastCommand = new AtomicReference<>();

  /**
   * Where a drive is.
   *
   * @param host name or address
   * @param port the port
   * @param unit the unit number
   */
  public record Target(String host, int port, int unit) {
    /** Checks the numbers. */
    public Target {
      if (host.isBlank()) {
        throw new IllegalArgumentException("an address is needed, such as 127.0.0.1");
      }
      if (port < 1 || port > 65_535) {
        throw new IllegalArgumentException("a port is 1 to 65535, not " + port);
      }
      if (unit < 0 || unit > 255) {
        throw new IllegalArgumentException("a unit number is 0 to 255, not " + unit);
      }
    }

    @Override
    public String toString() {
      return "%s:%d unit %d".formatted(host, port, unit);
    }
  }

  /**
   * What was read at once.
   *
   * @param values every register of the map
   * @param state the state the status word shows; empty where it shows none of the profile
   */
  public record Sample(Map<DriveRegisters, Double> values, Optional<WordState> state) {
    /** The value of a register. */
    public double value(DriveRegisters register) {
      return values.get(register);
    }
  }

  /** What the drive did not do, or did not answer. */
  public static final class NotDone extends Exception {
    private static final long serialVersionUID = 1L;

    NotDone(String words) {
      super(words);
    }
  }

  /** A link; it joins with the first request. */
  public LiveLink(Target target, WordProfile profile, Clock clock) {
    this.target = target;
    this.profile = profile;
    this.clock = clock;
    this.client = new TcpClient(target.host(), target.port(), TIMEOUT_MILLISECONDS);
    this.requests = ReadRequest.fewest(DriveRegisters.map().entries(), 0);
  }

  /** Where it goes. */
  public Target target() {
    return target;
  }

  /** What was written, when and by whom it was armed, in order. */
  public List<String> log() {
    synchronized (log) {
      return List.copyOf(log);
    }
  }

  /**
   * Reads the whole map.
   *
   * @throws NotDone where the drive does not answer, or answers otherwise than asked
   */
  public synchronized Sample read() throws NotDone {
    Map<DriveRegisters, Double> values = new EnumMap<>(DriveRegisters.class);
    for (ReadRequest request : requests) {
      Response answer =
          ask(new Request.Read(request.table().readFunction(), request.address(), request.count()));
      List<Integer> words = ((Response.Values) answer).values();
      for (DriveRegisters register : DriveRegisters.values()) {
        RegisterEntry entry = register.entry();
        if (request.entries().contains(entry)) {
          int from = entry.address() - request.address();
          values.put(
              register,
              entry.value(
                  words.subList(from, from + entry.type().words()).stream()
                      .mapToInt(w -> w)
                      .toArray()));
        }
      }
    }
    int status = values.get(DriveRegisters.STATUS_WORD).intValue();
    return new Sample(values, profile.shown(status));
  }

  private Response ask(Request request) throws NotDone {
    try {
      Response answer = client.ask(target.unit(), request);
      if (answer instanceof Response.Refusal refusal) {
        throw new NotDone("%s refused: %s".formatted(target, refusal.words()));
      }
      return answer;
    } catch (IOException | FrameFault broken) {
      throw new NotDone("%s: %s".formatted(target, broken.getMessage()));
    }
  }

  /**
   * Arms the link, so that it writes.
   *
   * @throws IllegalArgumentException where nobody says who
   */
  public void arm(String by) {
    if (by.isBlank()) {
      throw new IllegalArgumentException("say who arms the link to " + target);
    }
    note("armed by " + by.strip());
    lastCommand.set(clock.instant());
  }

  /** Ends it. */
  public void disarm() {
    if (lastCommand.getAndSet(null) != null) {
      note("disarmed");
    }
  }

  /** Whether it writes now. */
  public boolean isArmed() {
    Instant last = lastCommand.get();
    return last != null && !isTooOld(last);
  }

  private boolean isTooOld(Instant last) {
    return clock.instant().isAfter(last.plus(ARMED_FOR));
  }

  /**
   * Ends an arming that is too old and hands the drive back: nobody shall find it running on words
   * that nobody watches.
   *
   * @return whether it did
   * @throws NotDone where the drive does not take it back: use the machine's own stop
   */
  public boolean expire() throws NotDone {
    Instant last = lastCommand.get();
    if (last == null || !isTooOld(last) || !lastCommand.compareAndSet(last, null)) {
      return false;
    }
    note("disarmed by itself after %d s without a command".formatted(ARMED_FOR.toSeconds()));
    handBack();
    return true;
  }

  /**
   * Sets the frequency reference in hertz.
   *
   * @throws NotDone where the link is not armed or the drive refuses
   */
  public synchronized void reference(double hertz) throws NotDone {
    armed();
    write(DriveRegisters.REFERENCE, hertz);
  }

  /**
   * Sends the words that lead to what is wanted, each after the state before it is there.
   *
   * @throws NotDone where the link is not armed, or the drive does not go on; naming the state
   */
  public synchronized void want(Intent intent) throws NotDone {
    armed();
    Sample sample = read();
    WordState at =
        sample
            .state()
            .orElseThrow(() -> new NotDone("the status word shows no state of the profile"));
    int before = (int) sample.value(DriveRegisters.CONTROL_WORD);
    try {
      for (Step step : new WordMachine(profile).way(at, intent, before)) {
        // A stop meanwhile has disarmed the link: no further step goes out.
        armed();
        write(DriveRegisters.CONTROL_WORD, step.word());
        await(step.then());
      }
    } catch (IllegalArgumentException byItself) {
      throw new NotDone(String.valueOf(byItself.getMessage()));
    }
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
   * Disarms and writes the stop word at once, armed or not, over a connection of its own: it does
   * not wait for what is under way, and no step of a command follows it.
   *
   * @throws NotDone where the drive does not take it: use the machine's own stop
   */
  public void stop() throws NotDone {
    disarm();
    try (TcpClient own = new TcpClient(target.host(), target.port(), TIMEOUT_MILLISECONDS)) {
      stopWord(own);
      note("stop: control word = " + Words.hex(0));
      synchronized (this) {
        // A word that was already on its way when the link was disarmed is overruled.
        stopWord(own);
      }
    } catch (IOException | FrameFault broken) {
      throw new NotDone("%s: %s".formatted(target, broken.getMessage()));
    }
  }

  private void stopWord(TcpClient own) throws IOException, FrameFault, NotDone {
    int address = DriveRegisters.CONTROL_WORD.entry().address();
    Response answer = own.ask(target.unit(), new Request.WriteOne(6, address, 0));
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
    write(DriveRegisters.CONTROL_WORD, 0);
    write(DriveRegisters.REFERENCE, 0);
    Sample sample = read();
    disarm();
    if (sample.value(DriveRegisters.CONTROL_WORD) != 0
        || sample.value(DriveRegisters.REFERENCE) != 0) {
      throw new NotDone(
          "%s was not handed back: its words are not as they were written".formatted(target));
    }
    note("handed back and checked");
  }

  private void armed() throws NotDone {
    if (!isArmed()) {
      throw new NotDone("the link is not armed: reading is free, writing is not");
    }
    lastCommand.set(clock.instant());
  }

  private void write(DriveRegisters register, double value) throws NotDone {
    int word;
    try {
      word = register.entry().words(value)[0];
    } catch (IllegalArgumentException outside) {
      throw new NotDone(String.valueOf(outside.getMessage()));
    }
    ask(new Request.WriteOne(6, register.entry().address(), word));
    note("%s = %s".formatted(register.entry().name(), Words.hex(word)));
  }

  private void note(String words) {
    log.add("%s  %s  %s".formatted(clock.instant().truncatedTo(ChronoUnit.SECONDS), target, words));
  }

  @Override
  public void close() throws IOException {
    client.close();
  }
}
