package unimotus.core.positioning;

import static unimotus.core.positioning.Request.ENABLE;
import static unimotus.core.positioning.Request.HOME;
import static unimotus.core.positioning.Request.START;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.move.MoveStep;

/** Ways a controller goes about it, right and wrong, with the timeline each of them gives. */
public enum HandshakeCase {
  SOUND(
      "as it should be",
      "Number first, then start; start goes when it is acknowledged; the next one when in position."),
  HELD_START(
      "start held",
      "Start stays on: the first move is made, and no other, since the next start has no edge."),
  WHILE_BUSY(
      "second start while busy",
      "A start before the move has ended is not taken, and nobody is told: it is lost."),
  ABSOLUTE_TWICE(
      "absolute twice",
      "The second start of an absolute position moves nothing: it is in position at once."),
  INCREMENTAL_TWICE(
      "incremental twice", "Every start of an incremental position moves by its distance again."),
  NOT_HOMED("start before homing", "An absolute position before homing is a fault."),
  ENABLE_LOST(
      "enable lost in motion",
      "The axis halts. When enable comes back it stands until a new start, even where start was held.");

  /** A controller looks again after so long (common practice). */
  private static final double SCAN = 0.02;

  private static final double PAUSE = 0.5;

  private final String label;
  private final String meaning;

  HandshakeCase(String label, String meaning) {
    this.label = label;
    this.meaning = meaning;
  }

  /** The words for it. */
  public String label() {
    return label;
  }

  /** What it shows. */
  public String meaning() {
    return meaning;
  }

  /** Its word on the command line, such as {@code held-start}. */
  public String key() {
    return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
  }

  /** Why a table cannot show it, in words; empty where it can. */
  public Optional<String> whyNot(PositionTable table) {
    if (table.entries().isEmpty()) {
      return Optional.of("no absolute or incremental move is entered");
    }
    if (this == ABSOLUTE_TWICE || this == NOT_HOMED) {
      return table.first(MoveStep.Absolute.class) == 0
          ? Optional.of("no absolute move is entered")
          : Optional.empty();
    }
    return this == INCREMENTAL_TWICE && table.first(MoveStep.Incremental.class) == 0
        ? Optional.of("no incremental move is entered")
        : Optional.empty();
  }

  /**
   * The timeline.
   *
   * @param start where the axis stands, in its unit
   * @throws IllegalArgumentException where {@link #whyNot} says something
   */
  public Handshake play(PositionTable table, double start) {
    whyNot(table)
        .ifPresent(
            why -> {
              throw new IllegalArgumentException("%s: %s".formatted(label, why));
            });
    Script script = new Script(table, start);
    script.set(0);
    script.bits(0, ENABLE);
    if (this != NOT_HOMED) {
      script.bits(PAUSE, ENABLE, HOME);
      script.bits(Handshake.HOMING_SECONDS + SCAN, ENABLE);
    }
    switch (this) {
      case SOUND -> all(script, table);
      case HELD_START -> held(script, table);
      case WHILE_BUSY -> whileBusy(script, table);
      case ABSOLUTE_TWICE -> twice(script, table.first(MoveStep.Absolute.class));
      case INCREMENTAL_TWICE -> twice(script, table.first(MoveStep.Incremental.class));
      case NOT_HOMED -> script.start(table.first(MoveStep.Absolute.class));
      case ENABLE_LOST -> enableLost(script, table);
    }
    return script.played();
  }

  private static void all(Script script, PositionTable table) {
    for (int number = 1; number <= table.entries().size(); number++) {
      script.start(number);
      script.waitForEnd();
    }
  }

  private static void twice(Script script, int number) {
    for (int i = 0; i < 2; i++) {
      script.start(number);
      script.waitForEnd();
    }
  }

  /** The number goes on to the next while start stays on. */
  private static void held(Script script, PositionTable table) {
    script.set(1);
    script.bits(SCAN, ENABLE, START);
    script.waitForEnd();
    script.set(Math.min(2, table.entries().size()));
    script.bits(SCAN, ENABLE, START);
    script.bits(PAUSE, ENABLE);
  }

  private static void whileBusy(Script script, PositionTable table) {
    script.start(1);
    script.start(Math.min(2, table.entries().size()));
    script.waitForEnd();
  }

  private static void enableLost(Script script, PositionTable table) {
    script.set(1);
    script.bits(SCAN, ENABLE, START);
    script.halfWay();
    script.bits(0, START);
    script.bits(PAUSE, ENABLE, START);
    script.bits(PAUSE, ENABLE);
    script.start(table.entries().size() > 1 ? 2 : 1);
    script.waitForEnd();
  }

  /** Steps put one after the other, on a drive that is asked when it is done. */
  private static final class Script {
    private final PositionTable table;
    private final double start;
    private final List<Handshake.Step> steps = new ArrayList<>();
    private double time;
    private int number;

    Script(PositionTable table, double start) {
      this.table = table;
      this.start = start;
    }

    void set(int next) {
      number = next;
    }

    void bits(double after, Request... bits) {
      time += after;
      Set<Request> on = EnumSet.noneOf(Request.class);
      on.addAll(List.of(bits));
      steps.add(new Handshake.Step(time, on, number));
    }

    /** The number a scan before its start; start goes once it was acknowledged. */
    void start(int next) {
      set(next);
      bits(SCAN, ENABLE);
      bits(SCAN, ENABLE, START);
      bits(2 * SCAN, ENABLE);
    }

    Handshake played() {
      return Handshake.of(table, start, steps);
    }

    void waitForEnd() {
      time = Math.max(time, played().seconds()) + PAUSE;
    }

    void halfWay() {
      time += Math.max(0, played().seconds() - time) / 2;
    }
  }
}
