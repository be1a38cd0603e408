package unimotus.desktop.stop;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.concurrent.Task;
import javafx.scene.control.Button;
import javafx.scene.control.ProgressBar;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** Work on a stop that takes a while, off the window's thread: one at a time, with its progress. */
final class StopWork {
  private final Desk desk;
  private final Runnable refresh;
  private final ProgressBar progress = new ProgressBar(0);
  private final Button cancel =
      Parts.quiet("cancel-faults", "cancel", () -> this.cancelled.set(true));
  private AtomicBoolean cancelled = new AtomicBoolean();

  /**
   * @param refresh called on the window's thread when something was found
   */
  StopWork(Desk desk, Runnable refresh) {
    this.desk = desk;
    this.refresh = refresh;
  }

  ProgressBar progress() {
    return progress;
  }

  Button cancel() {
    return cancel;
  }

  /** Ends what is under way; gives what says whether the next is to end. */
  AtomicBoolean begin() {
    cancelled.set(true);
    cancelled = new AtomicBoolean();
    progress.setProgress(0);
    return cancelled;
  }

  /** Shows how far it is, 0 to 1; from any thread. */
  void tell(double share) {
    Platform.runLater(() -> progress.setProgress(share));
  }

  <T> void run(Task<T> task, Consumer<T> take) {
    task.setOnSucceeded(
        e -> {
          take.accept(task.getValue());
          refresh.run();
        });
    task.setOnFailed(e -> desk.refuse(String.valueOf(task.getException().getMessage())));
    Thread thread = new Thread(task, "stop-faults");
    thread.setDaemon(true);
    thread.start();
  }
}
