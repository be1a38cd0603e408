package unimotus.cli;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordBit;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.profile.Words;
import unimotus.workbench.live.StandIns;

/** {@code word STATUS}: what a status word says, and which words do what one wants. */
@Command(
    name = "word",
    mixinStandardHelpOptions = true,
    description = {
      "What a status word says: state and bits; with --want the control words that lead there."
    },
    footer = {
      "",
      "Example: unimotus word 0x0250 --want start_forward",
      "         unimotus word 0x1637 --mode hm"
    })
final class WordCommand implements Callable<Integer> {
  @Mixin private Output output;

  @Parameters(paramLabel = "STATUS", description = "The status word: 592, 0x250, 250h, …")
  private String status;

  @Option(
      names = "--profile",
      paramLabel = "P",
      description = "cia402, cia402-MODE or run-and-stop. Default: ${DEFAULT-VALUE}.",
      defaultValue = "cia402")
  private String profile;

  @Option(
      names = "--mode",
      paramLabel = "M",
      description = {
        "The operating mode, by sign or number: pp 1, vl 2, pv 3, tq 4, hm 6, ip 7, csp 8, csv 9,",
        "cst 10, none 0. Default: vl. Bits 4 to 9 mean what it says."
      })
  private String mode;

  @Option(
      names = "--want",
      paramLabel = "W",
      description = "start_forward, start_reverse, stop or reset.")
  private String want;

  @Option(
      names = "--control",
      paramLabel = "C",
      description = "The control word that stands now. Default: ${DEFAULT-VALUE}.",
      defaultValue = "0")
  private String control;

  @Override
  public Integer call() {
    WordProfile words = inMode();
    int shown = Words.parse(status);
    Optional<WordState> state = words.shown(shown);
    List<String> bits = WordBit.names(words.statusBits(), shown);
    List<Step> way =
        want == null || state.isEmpty()
            ? List.of()
            : new WordMachine(words).way(state.get(), intent(), Words.parse(control));
    if (output.isJson()) {
      output.document(
          Output.map(
              "status",
              shown,
              "state",
              state.map(WordState::name).orElse(null),
              "mode",
              words.mode().label(),
              "bits",
              bits,
              "told",
              words.mode().told(shown).orElse(null),
              "control",
              WordBit.names(words.controlBits(), Words.parse(control)),
              "afterwards",
              starts() ? words.mode().afterwards() : "",
              "send",
              way.stream()
                  .map(
                      s ->
                          Output.map(
                              "word", Words.hex(s.word()),
                              "command", s.command(),
                              "wait", s.then().name()))
                  .toList()));
    } else {
      output
          .text()
          .printf(
              "%s = %s: %s%n  %s%n",
              Words.hex(shown),
              Words.bits(shown),
              state.map(WordState::name).orElse("no state of the profile"),
              String.join(", ", bits));
      words.mode().told(shown).ifPresent(t -> output.text().println("  " + t));
      way.forEach(
          s ->
              output
                  .text()
                  .printf(
                      "  send %s  %s, wait for %s%n",
                      Words.hex(s.word()), s.command(), s.then().name()));
      if (starts() && !words.mode().afterwards().isEmpty()) {
        output.text().println("  " + words.mode().afterwards());
      }
    }
    return state.isPresent() ? 0 : 1;
  }

  private WordProfile inMode() {
    WordProfile words = StandIns.profile(profile);
    if (mode == null) {
      return words;
    }
    if (words.mode() == OperatingMode.NONE) {
      throw new IllegalArgumentException(
          "--mode belongs to the profile cia402; '%s' has no modes".formatted(profile));
    }
    return DriveProfiles.cia402(OperatingMode.of(mode));
  }

  private boolean starts() {
    return want != null && intent().name().startsWith("START");
  }

  private Intent intent() {
    try {
      return Intent.valueOf(want.toUpperCase(Locale.ROOT).replace('-', '_'));
    } catch (IllegalArgumentException unknown) {
      throw new IllegalArgumentException(
          "--want '%s' is not one of start_forward, start_reverse, stop, reset".formatted(want));
    }
  }
}
