package unimotus.workbench;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;
import unimotus.core.finding.Severity;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;

/**
 * The axes of a line with how far each is, filtered and ordered for somebody who looks for what is
 * left to do.
 *
 * @param all every axis, in the order of the line
 */
public record Overview(List<Row> all) {

  /**
   * One axis.
   *
   * @param review what the rules say
   * @param progress how far it is
   * @param errors findings that are errors
   * @param warnings findings that are warnings
   * @param stale readings of a design that has changed since
   */
  public record Row(AxisReview review, Progress progress, long errors, long warnings, long stale) {

    /** Whether nothing is left to do at any station of this version. */
    public boolean isDone() {
      return progress.states().values().stream()
          .allMatch(s -> s == Progress.State.DONE || s == Progress.State.LATER);
    }
  }

  /** Which axes are shown. */
  public enum Filter {
    ALL("all axes", row -> true),
    ERRORS("with errors", row -> row.errors() > 0),
    WARNINGS("with warnings", row -> row.warnings() > 0),
    INCOMPLETE("incomplete", row -> row.review().assembly() == null),
    UNPROVED_STOP("stop not proved", row -> !row.progress().stopProved()),
    STALE("with stale readings", row -> row.stale() > 0),
    OPEN("not finished", row -> !row.isDone());

    private final String label;
    private final Predicate<Row> keeps;

    Filter(String label, Predicate<Row> keeps) {
      this.label = label;
      this.keeps = keeps;
    }

    /** The words it is chosen by. */
    public String label() {
      return label;
    }
  }

  /** In which order. */
  public enum Order {
    LINE("in line order", (a, b) -> 0),
    WORST(
        "worst first",
        Comparator.comparingLong((Row r) -> -r.errors())
            .thenComparing(r -> -r.warnings())
            .thenComparing(r -> -r.stale())),
    NEXT("by next step", Comparator.comparing((Row r) -> r.progress().nextStep())),
    GROUP("by group", Comparator.comparing(Overview::groupLast)),
    NAME(
        "by name",
        Comparator.comparing((Row r) -> r.review().axis().name(), String.CASE_INSENSITIVE_ORDER));

    private final String label;
    private final Comparator<Row> comparator;

    Order(String label, Comparator<Row> comparator) {
      this.label = label;
      this.comparator = comparator;
    }

    /** The words it is chosen by. */
    public String label() {
      return label;
    }
  }

  /** Groups in their alphabet, axes of no group after them. */
  private static String groupLast(Row row) {
    String group = row.review().axis().group();
    return group == null ? "\uffff" : group.toLowerCase(Locale.ROOT);
  }

  /** Takes a copy. */
  public Overview {
    all = List.copyOf(all);
  }

  /**
   * The overview of a line.
   *
   * @param progress how far an axis is
   * @param verdicts the verdicts on the readings of an axis; none where it cannot be proved yet
   */
  public static Overview of(
      List<AxisReview> axes,
      Function<AxisReview, Progress> progress,
      Function<AxisReview, List<Verdict>> verdicts) {
    return new Overview(
        axes.stream()
            .map(
                a ->
                    new Row(
                        a,
                        progress.apply(a),
                        a.count(Severity.ERROR),
                        a.count(Severity.WARNING),
                        verdicts.apply(a).stream()
                            .filter(v -> v.outcome() == Verdict.Outcome.STALE)
                            .count()))
            .toList());
  }

  /** The axes that a filter keeps, in an order; those that are equal in it stay as on the line. */
  public List<Row> rows(Filter filter, Order order) {
    return all.stream().filter(filter.keeps).sorted(order.comparator).toList();
  }

  /** How many axes a filter keeps. */
  public long count(Filter filter) {
    return all.stream().filter(filter.keeps).count();
  }

  /** The sum of a number over all axes. */
  public long total(ToLongFunction<Row> number) {
    return all.stream().mapToLong(number).sum();
  }
}
