package unimotus.desktop.map;

import java.util.List;
import unimotus.core.machine.Project;
import unimotus.workbench.live.StationFault;

/** What can be wrong with simulated stations, chosen before they are started. */
enum SimulatedFault {
  NONE("nothing wrong"),
  LOSE("every 7th telegram lost"),
  LATE("telegrams 15 ms late"),
  OPEN("cable open before it"),
  REVISION("another revision"),
  MODE("mode object refused"),
  IMAGE("image refused"),
  STARVE("no outputs reach it");

  private final String words;

  SimulatedFault(String words) {
    this.words = words;
  }

  String words() {
    return words;
  }

  /**
   * The faults of a station.
   *
   * @param position its place on the cable, from 0
   * @throws IllegalArgumentException where the fault cannot be at this position
   */
  List<StationFault> at(int position, Project project) {
    return switch (this) {
      case NONE -> List.of();
      case LOSE -> of("lose-every=7");
      case LATE -> of("late=15");
      case OPEN -> {
        if (position == 0) {
          throw new IllegalArgumentException(
              "the first station hangs on the controller: with that cable open nobody answers");
        }
        yield of("open-after=" + position);
      }
      case REVISION ->
          of(
              "revision@%d=%d"
                  .formatted(position, other(project.stations().get(position).revision())));
      // 0x06090030: the value is out of range.
      case MODE -> of("refuse@%d=0x6060:0,0x06090030".formatted(position));
      // 0x001D: outputs are configured wrongly.
      case IMAGE -> of("refuse-image@%d=0x001D".formatted(position));
      case STARVE -> of("no-outputs@%d".formatted(position));
    };
  }

  private static long other(long revision) {
    return revision + 1 & 0xFFFF_FFFFL;
  }

  private static List<StationFault> of(String written) {
    return List.of(StationFault.of(written));
  }
}
