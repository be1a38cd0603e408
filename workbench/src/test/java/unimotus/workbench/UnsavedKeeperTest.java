package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.machine.Project;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.project.UnsavedCopies.Unsaved;
import unimotus.formats.sheet.SheetLibrary;

/** Unsaved work belongs to its file and its window, whatever happens in between. */
class UnsavedKeeperTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  @TempDir private Path folder;

  private final List<Unsaved> offered = new ArrayList<>();

  private Session saved(String name) throws IOException {
    Session session = new Session(SHEETS);
    session.start(Project.empty(name));
    session.saveAs(file(name));
    return session;
  }

  private Path file(String name) {
    return folder.resolve(name + ".unimotus.json");
  }

  private UnsavedKeeper keeper(Session session) {
    return new UnsavedKeeper(session, folder.resolve("state"), offered::add);
  }

  /** Leaves unsaved work on a file, as a window that crashed does. */
  private void crash(String file, String name) throws IOException {
    Session session = new Session(SHEETS);
    session.open(file(file));
    try (UnsavedKeeper keeper = keeper(session)) {
      session.apply(Edits.renameLine(name));
    }
    offered.clear();
  }

  private List<Path> copies() throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      return all.filter(p -> p.getFileName().toString().contains(".recovery-")).toList();
    }
  }

  private String left(String file) throws IOException {
    Session session = new Session(SHEETS);
    session.open(file(file));
    try (UnsavedKeeper keeper = keeper(session)) {
      return keeper.abandoned().map(u -> u.project().name()).orElse("");
    }
  }

  @Test
  void workThatWasLeftCanBeTakenUp() throws Exception {
    saved("line");
    crash("line", "two");
    Session next = new Session(SHEETS);
    next.open(file("line"));
    try (UnsavedKeeper keeper = keeper(next)) {
      Unsaved unsaved = keeper.abandoned().orElseThrow();
      assertThat(offered).containsExactly(unsaved);
      next.takeUp(unsaved.project());
      keeper.letGo(unsaved);
      assertThat(next.project().name()).isEqualTo("two");
      assertThat(next.isDirty()).isTrue();
      next.undo();
      assertThat(next.project().name()).isEqualTo("line");
    }
    assertThat(copies()).isEmpty();
  }

  @Test
  void workThatWasNeverSavedIsKeptToo() throws Exception {
    Session session = new Session(SHEETS);
    try (UnsavedKeeper keeper = keeper(session)) {
      session.apply(Edits.renameLine("never saved"));
    }
    try (UnsavedKeeper keeper = keeper(new Session(SHEETS))) {
      assertThat(keeper.abandoned().orElseThrow().project().name()).isEqualTo("never saved");
    }
  }

  @Test
  void savingAndUndoingClearTheCopy() throws Exception {
    Session session = saved("line");
    try (UnsavedKeeper keeper = keeper(session)) {
      session.apply(Edits.renameLine("one"));
      session.save();
      session.apply(Edits.renameLine("two"));
      session.undo();
    }
    assertThat(copies()).isEmpty();
  }

  @Test
  void savingUnderAnotherNameMovesIt() throws Exception {
    Session session = saved("line");
    try (UnsavedKeeper keeper = keeper(session)) {
      session.apply(Edits.renameLine("one"));
      session.saveAs(file("other"));
      session.apply(Edits.renameLine("more"));
    }
    assertThat(left("line")).isEmpty();
    assertThat(left("other")).isEqualTo("more");
  }

  /** The writer may be held up for as long as all three take: what is unsaved last is kept. */
  @Test
  void aSlowDiskLosesNothingOverASaveUnderAnotherName() throws Exception {
    Session session = saved("line");
    ExecutorService writer = Executors.newSingleThreadExecutor();
    CountDownLatch held = new CountDownLatch(1);
    try (UnsavedKeeper keeper =
        new UnsavedKeeper(session, folder.resolve("state"), offered::add, writer)) {
      writer.execute(
          () -> {
            try {
              held.await();
            } catch (InterruptedException e) {
              Thread.currentThread().interrupt();
            }
          });
      session.apply(Edits.renameLine("one"));
      session.saveAs(file("other"));
      session.apply(Edits.renameLine("more"));
      held.countDown();
    }
    assertThat(left("line")).isEmpty();
    assertThat(left("other")).isEqualTo("more");
  }

  @Test
  void openingOffersTheCopyOfThatFileAlone() throws Exception {
    saved("a");
    saved("b");
    saved("c");
    crash("a", "left on a");
    crash("b", "left on b");
    Session session = new Session(SHEETS);
    try (UnsavedKeeper keeper = keeper(session)) {
      session.open(file("c"));
      assertThat(offered).isEmpty();
      session.open(file("b"));
      assertThat(offered).extracting(u -> u.project().name()).containsExactly("left on b");
      keeper.letGo(offered.get(0));
    }
    assertThat(left("a")).as("another file's copy is not touched").isEqualTo("left on a");
    assertThat(left("b")).isEmpty();
  }

  @Test
  void whatIsNotDecidedStays() throws Exception {
    saved("a");
    crash("a", "left on a");
    Session session = new Session(SHEETS);
    session.open(file("a"));
    try (UnsavedKeeper keeper = keeper(session)) {
      session.apply(Edits.renameLine("work went on"));
      session.save();
      keeper.forget();
    }
    assertThat(left("a")).isEqualTo("left on a");
  }

  @Test
  void twoWindowsOnOneFileKeepTheirOwn() throws Exception {
    Session one = saved("a");
    Session two = new Session(SHEETS);
    two.open(file("a"));
    UnsavedKeeper first = keeper(one);
    UnsavedKeeper second = keeper(two);
    one.apply(Edits.renameLine("one"));
    two.apply(Edits.renameLine("two"));
    assertThat(offered).as("a window that is open is no earlier session").isEmpty();
    first.forget();
    first.close();
    second.close();
    assertThat(left("a")).isEqualTo("two");
  }

  /** Runs the steps of a day's work and is gone without a word after one of them. */
  static final class Worker {
    public static void main(String[] arguments) throws Exception {
      Path folder = Path.of(arguments[0]);
      int last = Integer.parseInt(arguments[1]);
      Session session = new Session(SHEETS);
      UnsavedKeeper keeper = new UnsavedKeeper(session, folder.resolve("state"), u -> {});
      List<Step> steps =
          List.of(
              () -> session.apply(Edits.renameLine("edited 0")),
              () -> session.saveAs(folder.resolve("a.unimotus.json")),
              () -> session.apply(Edits.renameLine("edited 2")),
              session::save,
              () -> session.apply(Edits.renameLine("edited 4")),
              () -> session.saveAs(folder.resolve("b.unimotus.json")),
              () -> session.apply(Edits.renameLine("edited 6")),
              () -> session.open(folder.resolve("a.unimotus.json")),
              () -> session.apply(Edits.renameLine("edited 8")));
      for (int i = 0; i <= last; i++) {
        steps.get(i).run();
      }
      if (arguments[2].equals("settled")) {
        keeper.close();
      }
      Runtime.getRuntime().halt(9);
    }

    private interface Step {
      void run() throws Exception;
    }
  }

  /**
   * Killed after any step, what was saved is there, and what was not is offered on its own file.
   */
  @ParameterizedTest
  @ValueSource(ints = {0, 1, 2, 3, 4, 5, 6, 7, 8})
  void killedAfterAnyStepNothingSettledIsLost(int step) throws Exception {
    work(step, "settled");
    String[] onA = {"", "", "edited 2", "", "edited 4", "", "", "", "edited 8"};
    String[] onB = {"", "", "", "", "", "", "edited 6", "", ""};
    String[] inA = {
      "",
      "edited 0",
      "edited 0",
      "edited 2",
      "edited 2",
      "edited 2",
      "edited 2",
      "edited 2",
      "edited 2"
    };
    assertThat(name(file("a"))).isEqualTo(inA[step]);
    assertThat(name(file("b"))).isEqualTo(step < 5 ? "" : "edited 4");
    assertThat(Files.exists(file("a")) ? left("a") : "").isEqualTo(onA[step]);
    assertThat(Files.exists(file("b")) ? left("b") : "").isEqualTo(onB[step]);
    assertThat(unnamed()).isEqualTo(step == 0 ? "edited 0" : "");
  }

  /** Killed before anything was written in the background, the file is whole all the same. */
  @ParameterizedTest
  @ValueSource(ints = {2, 3, 5, 8})
  void killedAtOnceTheFilesAreWhole(int step) throws Exception {
    work(step, "at once");
    assertThat(name(file("a"))).startsWith("edited");
    assertThat(left("a")).isIn("", "edited 2", "edited 4", "edited 8");
  }

  private void work(int step, String how) throws Exception {
    Process process =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Worker.class.getName(),
                folder.toString(),
                Integer.toString(step),
                how)
            .redirectError(ProcessBuilder.Redirect.INHERIT)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start();
    assertThat(process.waitFor()).isEqualTo(9);
  }

  private static String name(Path file) throws IOException {
    return Files.exists(file) ? ProjectFile.load(file).project().name() : "";
  }

  private String unnamed() {
    try (UnsavedKeeper keeper = keeper(new Session(SHEETS))) {
      return keeper.abandoned().map(u -> u.project().name()).orElse("");
    }
  }

  @Test
  void aCopyNobodyCanReadIsNoWork() throws Exception {
    saved("a");
    crash("a", "left on a");
    Files.writeString(copies().get(0), "{ broken");
    assertThat(Optional.of(left("a"))).contains("");
  }
}
