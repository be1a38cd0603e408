package unimotus.desktop.map;

import java.util.function.BiConsumer;
import java.util.function.Predicate;
import javafx.application.Platform;
import unimotus.desktop.Desk;
import unimotus.workbench.live.LiveLink;
import unimotus.workbench.live.LiveWatch;
import unimotus.workbench.live.Sample;

/** What the watch of one link tells, brought onto the thread of the window. */
final class WatchTold implements LiveWatch.Listener {
  private final Desk desk;
  private final ReadoutSheet readout;
  private final Predicate<LiveLink> shown;
  private final BiConsumer<LiveLink, Sample> show;
  private final LiveLink link;

  /**
   * @param shown whether a link is the one that is looked at now
   * @param show takes a sample of it
   */
  WatchTold(
      Desk desk,
      ReadoutSheet readout,
      Predicate<LiveLink> shown,
      BiConsumer<LiveLink, Sample> show,
      LiveLink link) {
    this.desk = desk;
    this.readout = readout;
    this.shown = shown;
    this.show = show;
    this.link = link;
  }

  private void ifShown(Runnable action) {
    Platform.runLater(
        () -> {
          if (shown.test(link)) {
            action.run();
          }
        });
  }

  @Override
  public void read(Sample sample) {
    ifShown(() -> show.accept(link, sample));
  }

  @Override
  public void silent(String why) {
    ifShown(() -> readout.tellTrouble(why));
  }

  @Override
  public void done() {
    ifShown(() -> desk.say(""));
  }

  @Override
  public void refused(String why) {
    Platform.runLater(() -> desk.refuse(why));
  }

  @Override
  public void expired() {
    Platform.runLater(() -> desk.refuse("two minutes without a command: control is returned"));
  }
}
