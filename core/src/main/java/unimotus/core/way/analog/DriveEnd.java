package unimotus.core.way.analog;

import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.sheet.Option;
import unimotus.core.way.CommandLink;

/** A link that ends at an analog input of the drive, whatever hangs on that input. */
public interface DriveEnd extends CommandLink, SpeedLink {

  /** The input, from the signal to its percent. */
  DriveInput input();

  /** The drive's scaling, from percent to frequency. */
  DriveReference reference();

  /** This link with another drive input. */
  DriveEnd with(DriveInput next);

  /** This link with another reference scaling. */
  DriveEnd with(DriveReference next);

  @Override
  default double maximumHertz() {
    return reference().maximumHertz();
  }

  @Override
  default double frequencyAtFullHertz() {
    return reference().frequencyAtHighHertz();
  }

  @Override
  default FrequencyLimits limits() {
    return new FrequencyLimits(reference().minimumHertz(), reference().maximumHertz());
  }

  /** A live zero that is lost stops the drive where its input is told to act on it. */
  @Override
  default boolean isLost(Stage stage, double in) {
    return stage == input() && input().isLost(in);
  }

  /** A floating input reads nothing; a live zero that is lost stops where the drive acts on it. */
  @Override
  default double wantedHertz(SignalPath path, SeenInputs seen) {
    double taken = seen.received(input().terminal()).orElse(0);
    boolean lost = input().range().isLost(taken) && input().lossAction() != Option.NONE;
    return lost ? 0 : reference().forward(input().read(taken));
  }

  @Override
  default DriveEnd standingAt(double hertz) {
    return with(
        new DriveReference(
            hertz, hertz, hertz, hertz, reference().leastPercent(), reference().codes()));
  }

  @Override
  default DriveEnd limited(double minimumHertz, double maximumHertz) {
    return with(
        new DriveReference(
            reference().frequencyAtLowHertz(),
            reference().frequencyAtHighHertz(),
            minimumHertz,
            maximumHertz,
            reference().leastPercent(),
            reference().codes()));
  }
}
