package unimotus.workbench.live;

import java.io.IOException;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.Words;
import unimotus.core.value.DriveValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.connection.NotDone;

/**
 * Takes back what a link wrote: the stop word at once, armed or not, and the hand-back that reads
 * what came of it.
 */
final class Withdrawal {
  private final LiveLink link;
  private final DriveConnection connection;
  private final WordProfile profile;
  private final Sampler sampler;
  private final Writer writer;
  private final Written written;
  private final Arming arming;

  Withdrawal(
      LiveLink link,
      DriveConnection connection,
      WordProfile profile,
      Sampler sampler,
      Writer writer,
      Written written,
      Arming arming) {
    this.link = link;
    this.connection = connection;
    this.profile = profile;
    this.sampler = sampler;
    this.writer = writer;
    this.written = written;
    this.arming = arming;
  }

  /** The stop word of a jog that ended: the link stays armed and the reference as it is. */
  void endJog() throws NotDone {
    writeStop("jog ended", (word, over) -> written.word(word));
  }

  /** The stop word, and then a reference of nothing where there is a value for it. */
  void stop() throws NotDone {
    writeStop("stop", this::stopped);
  }

  /** What is done after a stop word, with the word and the connection it went over. */
  private interface AfterStop {
    void with(int word, DriveConnection over);
  }

  private void writeStop(String why, AfterStop then) throws NotDone {
    int word = new WordMachine(profile).stopWord();
    PlacedValue control = sampler.needed(ValueRole.CONTROL_WORD);
    String note = "%s: control word = %s".formatted(why, Words.hex(word));
    Optional<DriveConnection> beside = connection.beside();
    if (beside.isEmpty()) {
      connection.takeBack(control, word);
      arming.note(note);
      synchronized (link) {
        then.with(word, connection);
      }
      return;
    }
    try (DriveConnection own = beside.get()) {
      own.takeBack(control, word);
      arming.note(note);
      synchronized (link) {
        // A word that was already on its way over the other connection is overruled.
        own.takeBack(control, word);
        then.with(word, own);
      }
    } catch (IOException broken) {
      throw new NotDone("%s: %s".formatted(connection, broken.getMessage()));
    }
  }

  private void stopped(int word, DriveConnection over) {
    link.takenBack();
    written.word(word);
    zeroReference(over);
  }

  /** The motor is stopped already: a drive that does not take this is told, and no more. */
  private void zeroReference(DriveConnection over) {
    Optional<PlacedValue> reference = reference();
    if (reference.isEmpty()) {
      return;
    }
    try {
      over.takeBack(reference.get(), 0);
      written.reference(0);
      arming.note("stop: %s = 0".formatted(reference.get().value().name()));
    } catch (NotDone refused) {
      arming.note("stop: reference not set to 0: " + refused.getMessage());
    }
  }

  private Optional<PlacedValue> reference() {
    return sampler.value(ValueRole.REFERENCE).filter(r -> takesZero(r.value()));
  }

  private static boolean takesZero(DriveValue reference) {
    return reference.access().isWritable() && reference.limits().hold(0);
  }

  /** Gives the drive back; whoever calls holds the lock of the link and has disarmed it. */
  void handBack() throws NotDone {
    PlacedValue control = sampler.needed(ValueRole.CONTROL_WORD);
    Optional<PlacedValue> reference = reference();
    int stop = new WordMachine(profile).stopWord();
    Optional<Sample> before = readable();
    OptionalDouble found = before.map(s -> s.value(control)).orElse(OptionalDouble.empty());
    if (found.isPresent() && written.isForeign((int) found.getAsDouble(), stop)) {
      link.takenBack();
      throw new NotDone(
          "%s was left alone: its control word is %s and not the one written here, somebody else commands it"
              .formatted(connection, Words.hex((int) found.getAsDouble())));
    }
    writer.takeBack(control, stop);
    boolean ownReference =
        reference.isPresent()
            && before.filter(s -> written.isForeign(s, reference.get())).isEmpty();
    if (ownReference) {
      writer.takeBack(reference.get(), 0);
    }
    link.takenBack();
    check(control, stop, ownReference ? reference : Optional.empty());
  }

  private void check(PlacedValue control, int stop, Optional<PlacedValue> ownReference)
      throws NotDone {
    Sample after = link.read();
    boolean other =
        after.value(control).orElse(stop) != stop
            || ownReference.filter(r -> after.value(r).orElse(0) != 0).isPresent();
    if (other) {
      throw new NotDone(
          "control of %s was not returned: its words are not as written".formatted(connection));
    }
    arming.note(
        after.value(control).isPresent()
            ? "control returned and checked"
            : "control returned; the control word cannot be read, so that is not checked");
  }

  /** What stands in the drive; empty where it cannot be read, which keeps no stop word back. */
  private Optional<Sample> readable() {
    try {
      return Optional.of(link.read());
    } catch (NotDone unreadable) {
      return Optional.empty();
    }
  }
}
