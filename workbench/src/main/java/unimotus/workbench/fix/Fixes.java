package unimotus.workbench.fix;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Obstacles;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.StopOutcome;

/**
 * Finds the one change that removes a finding. Each change that the finding's words point at is
 * made on a copy of the project and the whole line is looked over again: it is offered only where
 * the finding is gone, nothing else has come, and as much is known of every axis as before.
 */
public final class Fixes {
  /** More than two ways to put a thing right are a question for the engineer, not for a button. */
  private static final int MOST = 2;

  private final Project project;
  private final SheetCatalogue sheets;
  private final LineReview before;
  private final Finding finding;

  private Fixes(Project project, SheetCatalogue sheets, LineReview before, Finding finding) {
    this.project = project;
    this.sheets = sheets;
    this.before = before;
    this.finding = finding;
  }

  private record Tried(Fix fix, long left) {}

  /**
   * The changes that remove a finding of an axis, the one that its remedy names first; empty where
   * no single change does, where more than two do, and where the axis lacks a device.
   *
   * @param before the review of {@code project}
   */
  public static List<Fix> of(
      Project project, SheetCatalogue sheets, LineReview before, AxisReview axis, Finding finding) {
    AxisAssembly assembly = axis.assembly();
    return assembly == null
        ? List.of()
        : new Fixes(project, sheets, before, finding).find(new Candidates(assembly, finding));
  }

  private List<Fix> find(Candidates candidates) {
    List<Tried> good = new ArrayList<>();
    for (Fix fix : candidates.all()) {
      LineReview after = LineReview.of(fix.edit().change().apply(project), sheets, before);
      if (removes(after)) {
        good.add(new Tried(fix, count(after, Severity.ERROR) + count(after, Severity.WARNING)));
      }
    }
    long least = good.stream().mapToLong(Tried::left).min().orElse(0);
    List<Fix> best =
        good.stream()
            .filter(t -> t.left() == least)
            .map(Tried::fix)
            .sorted(Comparator.comparing(this::isAdvised).reversed().thenComparing(Fix::words))
            .toList();
    return best.size() > MOST ? List.of() : best;
  }

  /** What the remedy itself names comes before what would do as well. */
  private boolean isAdvised(Fix fix) {
    return finding.remedy().contains(fix.words().split(" ", 2)[0]);
  }

  private boolean removes(LineReview after) {
    return all(after).noneMatch(this::isTheSame)
        && count(after, Severity.ERROR) <= allowed(Severity.ERROR)
        && count(after, Severity.WARNING) <= allowed(Severity.WARNING)
        && before.axes().stream().allMatch(a -> isKept(a, after));
  }

  /**
   * Whether as much is known of an axis as before. A change that leaves it without a path, a chain,
   * a prediction or a stop that works would only keep the rules from being asked.
   */
  private static boolean isKept(AxisReview was, LineReview after) {
    AxisReview now =
        after.axes().stream()
            .filter(a -> a.axis().id().equals(was.axis().id()))
            .findFirst()
            .orElseThrow();
    return keepsPath(was, now) && keepsPredictions(was, now) && keepsStops(was, now);
  }

  private static boolean keepsPath(AxisReview was, AxisReview now) {
    SignalPath before = was.path();
    SignalPath after = now.path();
    if (before == null || after == null) {
      return before == null;
    }
    return before.link().isProgrammed() == after.link().isProgrammed()
        && before.link().isProportional() == after.link().isProportional()
        && chains(now).containsAll(chains(was));
  }

  private static List<String> chains(AxisReview review) {
    return review.beside().stream().map(Chain::key).toList();
  }

  private static boolean keepsPredictions(AxisReview was, AxisReview now) {
    Obstacles before = was.obstacles();
    Obstacles after = now.obstacles();
    return (before.hinderSignal() || !after.hinderSignal())
        && (before.hinderMotion() || !after.hinderMotion());
  }

  private static boolean keepsStops(AxisReview was, AxisReview now) {
    return now.stops().size() == was.stops().size() && working(now).containsAll(working(was));
  }

  private static List<String> working(AxisReview review) {
    return review.stops().stream()
        .filter(s -> s.verdict().outcome() == StopOutcome.STOPS)
        .map(s -> s.stop().id())
        .toList();
  }

  /** The same rule at the same place, whatever its numbers are now. */
  private boolean isTheSame(Finding other) {
    return other.rule() == finding.rule() && other.place().equals(finding.place());
  }

  private long allowed(Severity severity) {
    return count(before, severity) - (finding.severity() == severity ? 1 : 0);
  }

  private static long count(LineReview review, Severity severity) {
    return all(review).filter(f -> f.severity() == severity).count();
  }

  private static Stream<Finding> all(LineReview review) {
    return Stream.concat(
        review.line().stream(), review.axes().stream().flatMap(a -> a.findings().stream()));
  }
}
