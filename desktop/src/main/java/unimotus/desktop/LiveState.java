package unimotus.desktop;

import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.BusStation;
import unimotus.workbench.live.StationPresence;

/** What of the machine the window is joined to: what it may write to, and who was found. */
public final class LiveState {
  private final ObjectProperty<@Nullable Armed> armed = new SimpleObjectProperty<>();
  private final ObjectProperty<@Nullable StationPresence> presence = new SimpleObjectProperty<>();
  private @Nullable Runnable stop;

  /**
   * A link that writes.
   *
   * @param drive the axis whose drive it is, and where it is joined
   */
  public record Armed(String drive) {}

  LiveState() {
    // One for a window.
  }

  /** What is armed to write to a device; null while nothing is. */
  public ObjectProperty<@Nullable Armed> armed() {
    return armed;
  }

  /** Stops the drive that is joined, armed or not; false where none is. */
  public boolean stop() {
    Runnable now = stop;
    if (now != null) {
      now.run();
    }
    return now != null;
  }

  /** What stops the drive that is joined; null where none is. */
  public void stopWith(@Nullable Runnable next) {
    stop = next;
  }

  /** What the last search for stations found; null while nobody was searched for. */
  public ObjectProperty<@Nullable StationPresence> presence() {
    return presence;
  }

  /** Where a station of the line stands, by the last search. */
  public StationPresence.Standing standing(BusStation station) {
    StationPresence found = presence.get();
    return found == null ? StationPresence.Standing.OFFLINE : found.standing(station);
  }
}
