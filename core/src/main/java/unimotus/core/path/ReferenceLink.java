package unimotus.core.path;

import java.util.List;

/** How the reference comes from the program's percent to the drive's output frequency. */
public sealed interface ReferenceLink permits AnalogLink, RegisterLink {

  /** Its stages, from {@link Station#PERCENT} to {@link Station#FREQUENCY}. */
  List<Stage> stages();

  /** Greatest frequency the drive allows. */
  double maximumHertz();

  /** Frequency meant by 100 %, the drive's limits left aside. */
  double frequencyAtFullHertz();

  /** Whether what goes into {@code stage} is taken for a lost signal on which the drive stops. */
  boolean isLost(Stage stage, double in);

  /** This link with a drive that stands at one frequency, whatever comes. */
  ReferenceLink standingAt(double hertz);

  /** This link with other limits in the drive. */
  ReferenceLink limited(double minimumHertz, double maximumHertz);

  /** The limits in the drive. */
  FrequencyLimits limits();
}
