package unimotus.workbench.board;

import unimotus.core.machine.TerminalRef;
import unimotus.workbench.board.WireBench.Activity;
import unimotus.workbench.board.WireBench.Function;
import unimotus.workbench.board.WireBench.Lead;

/** What the next key or click on the board does. */
public final class BenchHint {
  private BenchHint() {}

  /** In words. */
  public static String of(WireBench bench) {
    if (bench.activity() == Activity.MEASURING) {
      return measuring(bench);
    }
    TerminalRef from = bench.armed();
    return from != null
        ? "from %s: choose the other end, Escape to let go".formatted(from)
        : bench
            .wire()
            .map(
                w ->
                    "wire %s: Delete removes, M or Shift+click moves an end, E goes to the other"
                        .formatted(w.id()))
            .orElse("choose two terminals to connect them");
  }

  private static String measuring(WireBench bench) {
    if (bench.function() == Function.MILLIAMPS) {
      return bench
          .wire()
          .map(w -> "the meter is in wire " + w.id())
          .orElse("choose the wire the meter is put into");
    }
    Lead lead = bench.held();
    return lead == null
        ? "choose a terminal for the red probe, or pick one up; Escape takes both off"
        : "%s probe in hand: choose a terminal, Escape puts it down".formatted(lead.label());
  }
}
