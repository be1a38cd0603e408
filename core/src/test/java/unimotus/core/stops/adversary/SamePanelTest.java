package unimotus.core.stops.adversary;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.BiFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.Campaign;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopTimeline;

/**
 * What is electrically the same gets the same verdict and the same figures: a strip in any wire, a
 * supply split in two with joined zeros, other names, another order of wires.
 */
class SamePanelTest {
  private static final int PANELS = Campaign.size(300, 30, 3);

  /** What is told of a stop. */
  private record Told(
      String outcome,
      int weaknesses,
      boolean resumes,
      double standstill,
      double off,
      String level,
      double perHour,
      boolean lostByOne) {}

  /** Ways of building the same panel otherwise. */
  private enum Otherwise {
    STRIPS(SamePanelTest::throughStrips),
    SPLIT_SUPPLY(SamePanelTest::splitSupply),
    RENAMED(SamePanelTest::renamed),
    REORDERED(SamePanelTest::reordered);

    private final BiFunction<Panel, Random, Panel> change;

    Otherwise(BiFunction<Panel, Random, Panel> change) {
      this.change = change;
    }
  }

  private static Panel bare(Panel panel) {
    Panel copy = new Panel();
    copy.effect = panel.effect;
    copy.relay = panel.relay;
    copy.reset = panel.reset;
    copy.manual = panel.manual;
    copy.crossFault = panel.crossFault;
    copy.jumper = panel.jumper;
    copy.sheets.putAll(panel.sheets);
    copy.notes.addAll(panel.notes);
    copy.triggers.addAll(panel.triggers);
    copy.contactors.addAll(panel.contactors);
    return copy;
  }

  private static boolean isPower(String[] wire) {
    return (wire[0] + wire[1]).matches(".*(mains|motor|:L[123]|:[UVW]\\b).*")
        || wire[0].matches("k\\d:[1-6]")
        || wire[1].matches("k\\d:[1-6]");
  }

  private static Panel throughStrips(Panel panel, Random random) {
    Panel next = bare(panel);
    int at = 0;
    for (String[] wire : panel.wires) {
      if (isPower(wire) || random.nextInt(3) == 0) {
        next.wire(wire[0], wire[1]);
        continue;
      }
      String strip = "y" + at / 12;
      next.device(strip, "terminal-strip-12");
      String point = strip + ":" + (at++ % 12 + 1);
      next.wire(wire[0], point);
      next.wire(point, wire[1]);
    }
    return next;
  }

  /** Every second conductor of the controller's 24 V is fed by a supply of its own. */
  private static Panel splitSupply(Panel panel, Random random) {
    Panel next = bare(panel);
    next.device("z", "supply-24v-5a");
    next.wire("z:-", "plc:0V");
    for (String[] wire : panel.wires) {
      boolean other = wire[0].equals("plc:24V") && random.nextBoolean();
      next.wire(other ? "z:+" : wire[0], wire[1]);
    }
    return next;
  }

  private static String other(String name) {
    return Set.of("plc", "drive", "drive2", "motor").contains(name) ? name : "n-" + name;
  }

  private static Panel renamed(Panel panel, Random random) {
    Panel next = bare(panel);
    next.sheets.clear();
    panel.sheets.forEach((id, sheet) -> next.sheets.put(other(id), sheet));
    next.relay = panel.relay.isEmpty() ? "" : other(panel.relay);
    next.reset = panel.reset.isEmpty() ? "" : other(panel.reset);
    next.triggers.replaceAll(SamePanelTest::other);
    next.contactors.replaceAll(SamePanelTest::other);
    for (String[] wire : panel.wires) {
      next.wire(otherEnd(wire[0]), otherEnd(wire[1]));
    }
    return next;
  }

  private static String otherEnd(String terminal) {
    int colon = terminal.indexOf(':');
    return other(terminal.substring(0, colon)) + terminal.substring(colon);
  }

  private static Panel reordered(Panel panel, Random random) {
    Panel next = bare(panel);
    List<String[]> wires = new ArrayList<>(panel.wires);
    Collections.shuffle(wires, random);
    for (String[] wire : wires) {
      boolean turned = random.nextBoolean();
      next.wire(wire[turned ? 1 : 0], wire[turned ? 0 : 1]);
    }
    return next;
  }

  private static Told told(Panel panel) {
    JudgedStop judged = Panels.judged(Panels.project(panel));
    var verdict = judged.verdict();
    boolean resumes = !verdict.resumption().isEmpty();
    if (!verdict.stops()) {
      return new Told(verdict.outcome().name(), 0, resumes, 0, 0, "", 0, false);
    }
    StopTimeline timeline = StopTimeline.fromMaximum(judged.circuit());
    FaultRun run = FaultRun.of(judged.circuit(), verdict);
    SafetyFigures figures = SafetyFigures.of(judged.circuit(), verdict, run);
    return new Told(
        verdict.outcome().name(),
        verdict.weaknesses().size(),
        resumes,
        timeline.standstillSeconds(),
        timeline.torqueOffSeconds(),
        figures.level().map(Enum::name).orElse(""),
        figures.dangerousPerHour().orElse(0.0),
        !run.lostByOne().isEmpty());
  }

  @ParameterizedTest
  @EnumSource(Otherwise.class)
  void whatIsBuiltOtherwiseIsToldTheSame(Otherwise way) {
    ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    IntStream.range(0, PANELS)
        .parallel()
        .forEach(
            n -> {
              Panel panel = PanelMaker.panel(new Random(n * 613L + 41), n % 2);
              Panel next = way.change.apply(panel, new Random(n));
              Told before = told(panel);
              Told after = told(next);
              if (!before.equals(after)) {
                wrong.add("%d %s\n%s\n%s\n%s".formatted(n, way, before, after, panel));
              }
            });
    System.out.printf("%s: %d panels, %d differ%n", way, PANELS, wrong.size());
    assertThat(wrong.stream().sorted().limit(2).toList()).isEmpty();
  }

  /** The changes do change something. */
  @Test
  void thePanelsAreBuiltOtherwise() {
    Panel panel = PanelMaker.panel(new Random(41), 0);
    for (Otherwise way : Otherwise.values()) {
      assertThat(way.change.apply(panel, new Random(1)).toString()).isNotEqualTo(panel.toString());
    }
  }
}
