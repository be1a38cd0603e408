package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Station;

/** What can be wrong with a reference in Hand alone. */
enum HandCause implements Cause {
  OTHER_OWNER(
      "Another port owns the manual request",
      2,
      "The motor runs in Hand, its speed does not change or follows network or keypad; wiper or entry are right.",
      "Give the manual request to the terminals; look what took it: keypad, network, a test that was not put back.");

  private final Account account;

  HandCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }

  /** The drive at whatever it was seen at, or at its least, and each other thing it may follow. */
  List<Variant> variants(SpeedLink link, Clues clues) {
    OptionalDouble seen =
        Clues.median(clues.at(Station.FREQUENCY).stream().mapToDouble(c -> c.measured()));
    double hertz = Math.abs(seen.orElse(link.limits().minimumHertz()));
    String own = link instanceof KeypadLink ? "keypad" : "potentiometer";
    return HandObservations.others(own).stream()
        .map(
            other ->
                new Variant(
                    other,
                    clues.path().with(link.standingAt(hertz)),
                    seen.isPresent(),
                    Map.of(HandObservations.OWNER, other),
                    Map.of()))
        .toList();
  }
}
