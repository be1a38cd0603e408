package unimotus.core.path;

import java.util.Optional;

/** A link that ends at the drive's output frequency, as every one does that commands a speed. */
public interface SpeedLink extends ReferenceLink {

  @Override
  default Commanded commands() {
    return Commanded.SPEED;
  }

  @Override
  default Optional<SpeedLink> speed() {
    return Optional.of(this);
  }

  @Override
  default ReferenceLink still() {
    return standingAt(0);
  }

  /** Greatest frequency the drive allows. */
  double maximumHertz();

  /** Frequency meant by 100 %, the drive's limits left aside. */
  double frequencyAtFullHertz();

  /** This link with a drive that stands at one frequency, whatever comes. */
  SpeedLink standingAt(double hertz);

  /** This link with other limits in the drive. */
  SpeedLink limited(double minimumHertz, double maximumHertz);

  /** The limits in the drive. */
  FrequencyLimits limits();

  /** The frequency that is wanted of the drive by what it sees at its terminals, in hertz. */
  default double wantedHertz(SignalPath path, SeenInputs seen) {
    return path.value(Station.FREQUENCY, seen.number());
  }
}
