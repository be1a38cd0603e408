package unimotus.core.way.number;

import java.util.List;
import java.util.OptionalDouble;
import unimotus.core.path.Carrier;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.way.CommandLink;

/** A link that carries the reference as a number on a fieldbus. */
public interface NumberLink extends CommandLink, SpeedLink {

  /** Percent to the number. */
  ProgramNumber program();

  /** The number to output frequency. */
  DriveNumber drive();

  /** This link with a drive that takes the number otherwise. */
  NumberLink with(DriveNumber next);

  @Override
  default List<Stage> stages() {
    return List.of(program(), drive());
  }

  @Override
  default Carrier carrier(Station from) {
    return from == Station.COUNTS ? Carrier.MESSAGES : Carrier.WITHIN;
  }

  @Override
  default OptionalDouble readBack(double meant) {
    return OptionalDouble.of(program().raw(meant));
  }

  @Override
  default double maximumHertz() {
    return drive().limits().maximumHertz();
  }

  @Override
  default double frequencyAtFullHertz() {
    return program().hertzAtFull();
  }

  @Override
  default FrequencyLimits limits() {
    return drive().limits();
  }

  @Override
  default NumberLink standingAt(double hertz) {
    return limited(hertz, hertz);
  }

  @Override
  default NumberLink limited(double minimumHertz, double maximumHertz) {
    return with(drive().with(new FrequencyLimits(minimumHertz, maximumHertz)));
  }
}
