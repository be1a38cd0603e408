package unimotus.devices.ethercat.master;

import java.io.IOException;
import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;

/** A station does not go to a state, or left it by itself. */
public final class StateRefused extends IOException {
  private static final long serialVersionUID = 1L;
  private final int code;

  StateRefused(StationLink station, StationState target, StationLink.Standing now) {
    super(
        "%s: %s is refused, it stays in %s%s"
            .formatted(
                station,
                target.label(),
                now.told(),
                StateCode.of(now.code()).map(c -> ". " + c.remedy()).orElse("")));
    this.code = now.code();
  }

  /** The code of the station. */
  public int code() {
    return code;
  }
}
