package unimotus.core.processdata;

import java.util.List;
import java.util.Map;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.PlacedValues;

/** What of a drive, or of one axis of it, is read and commanded through its station. */
public interface DriveView extends PlacedValues {

  /** The station. */
  StationDesign design();

  /** All that stands in its image. */
  ProcessImage image();

  /** Every value it can be read or commanded by. */
  List<PlacedValue> values();

  /** What is written before the outputs count, in order. */
  List<StartUpCommand> startUp();

  /** What of the outputs is not 0 while nothing is commanded, by place; possibly empty. */
  Map<ImagePlace, Integer> resting();

  /** Objects that {@link #startUp} changes and that are put back afterwards; possibly empty. */
  List<Integer> borrowed();
}
