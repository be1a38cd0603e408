package unimotus.workbench.live;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongSupplier;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;

/**
 * A drive on the fieldbus, looked at freely and commanded only while armed, whatever protocol its
 * connection speaks. Arming ends by itself after a while without a command; everything that is
 * written is logged. Reading and commanding wait for the drive; arming, disarming and asking about
 * it do not.
 */
public final class LiveLink implements AutoCloseable {
  /** Without a command the link disarms itself after this time. */
  public static final Duration ARMED_FOR = Duration.ofMinutes(2);

  private static final int TRIES_TO_HAND_BACK = 5;

  private final DriveConnection connection;
  private final Arming arming;
  private final Sampler sampler;
  private final Written written = new Written();
  private final Commands commands;
  private final Withdrawal withdrawal;

  /** Tries since the last arming. */
  private volatile int triesToHandBack;

  /**
   * The clocks of a link.
   *
   * @param wall tells when something was written
   * @param nanos tells how long ago; it only goes forward
   */
  public record Times(Clock wall, LongSupplier nanos) {
    /** The wall's clock, and this machine's for how long ago. */
    public static Times of(Clock wall) {
      return new Times(wall, System::nanoTime);
    }
  }

  /**
   * A link; it joins with the first request.
   *
   * @param connection the way to the drive, which it takes as its own; values with a role are
   *     understood
   * @param profile the drive's words
   * @param limit what of a reference the axis allows
   */
  public LiveLink(
      DriveConnection connection, WordProfile profile, Times times, ReferenceLimit limit) {
    this.connection = connection;
    this.arming = new Arming(connection.toString(), times.wall(), times.nanos(), ARMED_FOR);
    this.sampler = new Sampler(connection, profile);
    Writer writer = new Writer(connection, arming, written);
    this.commands = new Commands(this, profile, sampler, writer, written, limit);
    this.withdrawal = new Withdrawal(this, connection, profile, sampler, writer, written, arming);
  }

  /** Where the drive is, for people. */
  public String where() {
    return connection.toString();
  }

  /** How its connection stands, in a few words; empty where there is nothing to tell. */
  public String standing() {
    return connection.standing();
  }

  /** The values it reads. */
  public List<PlacedValue> values() {
    return connection.values();
  }

  /** What was written, when and by whom it was armed, in order. */
  public List<String> log() {
    return arming.log();
  }

  /**
   * Who the device says it is: maker, product, version, as far as it tells.
   *
   * @throws NotDone where it does not tell
   */
  public synchronized List<String> identity() throws NotDone {
    return connection.identity();
  }

  /**
   * Reads all values.
   *
   * @throws NotDone where the drive does not answer, answers otherwise than asked, or refuses
   *     everything
   */
  public synchronized Sample read() throws NotDone {
    Sample sample = sampler.read();
    written.saw(sample);
    return sample;
  }

  /**
   * The settings that stand in values, as the drive works with them now.
   *
   * @param progress is told how far it is
   * @throws NotDone where the drive falls silent before anything was read
   */
  public OnlineSettings settings(DriveSheet sheet, OnlineSettings.Progress progress)
      throws NotDone {
    return OnlineSettings.read(this, sheet, progress);
  }

  /** Which of some values are read together, in one request each. */
  List<List<PlacedValue>> together(List<PlacedValue> wanted) {
    return connection.together(wanted);
  }

  /** What stands in values that are read together; a line in refusals where that is refused. */
  synchronized Map<PlacedValue, HeldValue> read(List<PlacedValue> together, List<String> refusals)
      throws NotDone {
    return connection.read(together, refusals);
  }

  /**
   * Arms the link, so that it writes.
   *
   * @throws IllegalArgumentException where nobody says who, or nothing is commanded over it
   */
  public void arm(String by) {
    connection
        .readOnly()
        .ifPresent(
            why -> {
              throw new IllegalArgumentException(why);
            });
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
    if (isOwed() && !isArmed() && triesToHandBack < TRIES_TO_HAND_BACK) {
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
      if (isOwed() && triesToHandBack >= TRIES_TO_HAND_BACK) {
        throw new NotDone(
            "CONTROL NOT RETURNED after %d tries, use the machine's own stop: %s"
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
    return written.isOwed();
  }

  /** The words of this link are taken back, or somebody else's stand there. */
  void takenBack() {
    written.takenBack();
    commands.forgetDirection();
    triesToHandBack = 0;
  }

  /**
   * Sets the reference, in its own unit. After a start in reverse that is told by the sign a value
   * without one does not turn the motor.
   *
   * @throws NotDone where the link is not armed, the value is beyond what its own limits, axis or
   *     drive allow, or the drive refuses
   */
  public synchronized void reference(double value) throws NotDone {
    commands.reference(value, arming.command());
  }

  /**
   * Writes any value.
   *
   * @throws NotDone where the link is not armed or the drive refuses
   */
  public synchronized void set(PlacedValue value, double number) throws NotDone {
    commands.set(value, number, arming.command());
  }

  /**
   * Sends the words that lead to what is wanted, each after the state before it is there.
   *
   * @throws NotDone where the link is not armed, or the drive does not go on; naming the state
   */
  public synchronized void want(Intent intent) throws NotDone {
    commands.want(intent, arming.command());
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
    commands.want(direction, gate);
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
      withdrawal.endJog();
    }
  }

  /**
   * Disarms, writes the stop word at once, armed or not, and then a reference of nothing where
   * there is a value for it. Where the way allows it, over a connection of its own: it does not
   * wait for what is under way. On a serial port it waits for the one answer that is on its way. No
   * step of a command follows it.
   *
   * @throws NotDone where the drive does not take the stop word: use the machine's own stop
   */
  public void stop() throws NotDone {
    disarm();
    withdrawal.stop();
  }

  /**
   * Gives the drive back to its controller: stop word, reference to nothing, then both are read
   * back, and the link is disarmed. What somebody else has written since stays as it is.
   *
   * @throws NotDone where something else stands there than was written: somebody else writes
   */
  public synchronized void handBack() throws NotDone {
    disarm();
    commands.forgetDirection();
    withdrawal.handBack();
  }

  @Override
  public void close() throws IOException {
    connection.close();
  }
}
