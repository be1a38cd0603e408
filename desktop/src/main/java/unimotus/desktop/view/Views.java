package unimotus.desktop.view;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.desktop.Desk;
import unimotus.desktop.bus.BusView;
import unimotus.desktop.map.MapView;
import unimotus.desktop.setup.SetUpView;
import unimotus.desktop.sheet.SheetView;
import unimotus.desktop.station.View;
import unimotus.desktop.stop.StopView;
import unimotus.desktop.wire.WireView;
import unimotus.workbench.WorkStep;

/** The views, each made when it is first looked at. */
public final class Views {
  private final Desk desk;
  private final Map<String, View> made = new HashMap<>();

  /** No view yet. */
  public Views(Desk desk) {
    this.desk = desk;
  }

  /** The view of a station; of the line where the station is null. */
  public View of(@Nullable WorkStep step) {
    return made.computeIfAbsent(String.valueOf(step), key -> make(step));
  }

  /** The view that starts an axis. */
  public View newAxis() {
    return made.computeIfAbsent("new axis", key -> new NewAxisView(desk));
  }

  /** The editor of device sheets. */
  public View sheets() {
    return made.computeIfAbsent("sheets", key -> new SheetView(desk));
  }

  /** The process-data fieldbus of the line. */
  public View bus() {
    return made.computeIfAbsent("bus", key -> new BusView(desk));
  }

  private View make(@Nullable WorkStep step) {
    if (step == null) {
      return new LineView(desk);
    }
    return switch (step) {
      case IDENTIFY -> new IdentifyView(desk);
      case WIRE -> new WireView(desk);
      case SET_UP -> new SetUpView(desk);
      case MAP -> new MapView(desk, new PathView(desk));
      case DRY_RUN -> new DryRunView(desk);
      case PROVE -> new ProveView(desk);
      case MAKE_SAFE -> new StopView(desk);
      case HAND_OVER ->
          throw new IllegalArgumentException(step.label() + " has no view in this version");
    };
  }
}
