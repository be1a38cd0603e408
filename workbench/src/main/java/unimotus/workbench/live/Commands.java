package unimotus.workbench.live;

import java.util.List;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;

/**
 * References and the words that lead from one state of a drive to another. Everything goes out
 * under a gate that somebody was given on purpose; whoever calls holds the lock of the link.
 */
final class Commands {
  private static final int POLLS_FOR_A_STATE = 40;
  private static final int POLL_MILLISECONDS = 25;

  private final LiveLink link;
  private final WordProfile profile;
  private final Sampler sampler;
  private final Writer writer;
  private final Written written;
  private final ReferenceLimit limit;

  /** Whether reverse is wanted of a drive that is told it by the sign of its reference. */
  private boolean backward;

  Commands(
      LiveLink link,
      WordProfile profile,
      Sampler sampler,
      Writer writer,
      Written written,
      ReferenceLimit limit) {
    this.link = link;
    this.profile = profile;
    this.sampler = sampler;
    this.writer = writer;
    this.written = written;
    this.limit = limit;
  }

  /** Nothing turns backward any more. */
  void forgetDirection() {
    backward = false;
  }

  void reference(double value, Gate gate) throws NotDone {
    PlacedValue reference = sampler.needed(ValueRole.REFERENCE);
    double signed = backward ? -Math.abs(value) : value;
    limit.check(reference.value(), signed);
    writer.write(reference, signed, gate);
  }

  void set(PlacedValue value, double number, Gate gate) throws NotDone {
    if (value.value().role() == ValueRole.REFERENCE) {
      limit.check(value.value(), number);
    }
    writer.write(value, number, gate);
  }

  void want(Intent intent, Gate gate) throws NotDone {
    boolean starts = intent == Intent.START_FORWARD || intent == Intent.START_REVERSE;
    if (starts && !profile.commandsSpeed()) {
      throw new NotDone(
          "these words are of the %s mode: the reference is no speed in it, and nothing is started"
              .formatted(profile.mode().label()));
    }
    sampler.needed(ValueRole.STATUS_WORD);
    PlacedValue control = sampler.needed(ValueRole.CONTROL_WORD);
    Sample sample = link.read();
    WordState at =
        sample
            .state()
            .orElseThrow(() -> new NotDone("the status word shows no state of the profile"));
    int before = (int) sample.value(control).orElse(written.wordOr(0));
    try {
      List<Step> way = new WordMachine(profile).way(at, intent, before);
      turnReference(intent, sample, gate);
      for (Step step : way) {
        // Where the link was disarmed meanwhile, the gate lets no further step out.
        writer.write(control, step.word(), gate);
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
    PlacedValue reference = sampler.needed(ValueRole.REFERENCE);
    double least = reference.value().limits().minimum();
    if (!reverse && least >= 0) {
      return;
    }
    if (reverse && least >= 0) {
      throw new NotDone(
          "no bit of these words turns the direction, and %s takes no negative value, %s at least"
              .formatted(reference.value().name(), QuantityFormat.PLAIN.number(least)));
    }
    double now = sample.value(reference).orElse(written.lastReference());
    if (Double.isNaN(now)) {
      throw new NotDone(
          "%s cannot be read, so its sign is not known: write it first"
              .formatted(reference.value().name()));
    }
    double wanted = reverse ? -Math.abs(now) : Math.abs(now);
    limit.check(reference.value(), wanted);
    backward = reverse;
    if (wanted != now) {
      writer.write(reference, wanted, gate);
    }
  }

  private void await(WordState wanted) throws NotDone {
    for (int i = 0; i < POLLS_FOR_A_STATE; i++) {
      if (link.read().state().filter(wanted::equals).isPresent()) {
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
}
