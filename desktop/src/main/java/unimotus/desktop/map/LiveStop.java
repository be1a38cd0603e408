package unimotus.desktop.map;

import javafx.application.Platform;
import unimotus.desktop.Desk;
import unimotus.devices.connection.NotDone;
import unimotus.workbench.live.Hand;
import unimotus.workbench.live.LiveLink;

/** Stops a joined drive, and says so loudly where it cannot. */
final class LiveStop {
  private final Desk desk;

  LiveStop(Desk desk) {
    this.desk = desk;
  }

  /** On a thread of its own: it waits for nothing that is under way. */
  void stop(LiveLink link) {
    Thread thread = new Thread(() -> stopped(link), "live-stop");
    thread.setDaemon(true);
    thread.start();
  }

  private void stopped(LiveLink link) {
    try {
      link.stop();
      Platform.runLater(
          () -> {
            desk.live().armed().set(null);
            desk.say("stop word written to " + link.where());
          });
    } catch (NotDone e) {
      Platform.runLater(
          () -> desk.refuse("NOT STOPPED, use the machine's own stop: " + e.getMessage()));
    }
  }

  void jogEnds(LiveLink link, Hand hand) {
    try {
      link.letGo(hand);
    } catch (NotDone e) {
      Platform.runLater(
          () -> desk.refuse("NOT STOPPED, use the machine's own stop: " + e.getMessage()));
    }
  }
}
