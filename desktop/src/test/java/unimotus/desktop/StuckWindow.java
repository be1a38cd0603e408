package unimotus.desktop;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.application.Platform;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.LifecycleMethodExecutionExceptionHandler;
import org.junit.jupiter.api.extension.TestExecutionExceptionHandler;

/**
 * Where a window does not answer in time: says at what its thread is, for the log to show. A thread
 * that does not answer at all would have every later test wait for it: the run ends there.
 */
final class StuckWindow
    implements TestExecutionExceptionHandler, LifecycleMethodExecutionExceptionHandler {
  private static final int DEPTH = 14;
  private static final int ANSWER_SECONDS = 60;

  @Override
  public void handleTestExecutionException(ExtensionContext context, Throwable thrown)
      throws Throwable {
    throw told(thrown);
  }

  @Override
  public void handleBeforeEachMethodExecutionException(ExtensionContext context, Throwable thrown)
      throws Throwable {
    throw told(thrown);
  }

  private static Throwable told(Throwable thrown) {
    if (!(thrown instanceof TimeoutException)) {
      return thrown;
    }
    String threads =
        Thread.getAllStackTraces().entrySet().stream()
            .filter(e -> isOfInterest(e.getKey(), e.getValue()))
            .map(StuckWindow::line)
            .collect(Collectors.joining("; "));
    if (!answers()) {
      Runtime memory = Runtime.getRuntime();
      System.err.printf(
          "the window's thread does not answer; %d of %d MB in use%n%s%n",
          (memory.totalMemory() - memory.freeMemory()) >> 20, memory.maxMemory() >> 20, threads);
      System.err.flush();
      memory.halt(1);
    }
    return new AssertionError(thrown.getMessage() + ": " + threads, thrown);
  }

  private static boolean answers() {
    CountDownLatch answered = new CountDownLatch(1);
    Platform.runLater(answered::countDown);
    try {
      return answered.await(ANSWER_SECONDS, TimeUnit.SECONDS);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
      return true;
    }
  }

  private static boolean isOfInterest(Thread thread, StackTraceElement[] stack) {
    return !thread.equals(Thread.currentThread())
        && (thread.getName().contains("JavaFX Application")
            || Stream.of(stack).anyMatch(e -> e.getClassName().startsWith("unimotus")));
  }

  private static String line(Map.Entry<Thread, StackTraceElement[]> of) {
    return of.getKey().getName()
        + " "
        + of.getKey().getState()
        + " at "
        + Arrays.stream(of.getValue())
            .limit(DEPTH)
            .map(e -> e.getClassName() + "." + e.getMethodName() + ":" + e.getLineNumber())
            .collect(Collectors.joining(" < "));
  }
}
