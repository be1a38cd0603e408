package unimotus.cli;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
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
    footer = {"", "Example: unimotus word 0x0250 --want start_forward"})
final class WordCommand implements Callable<Integer> {
  @Mixin private Output output;

  @Parameters(paramLabel = "STATUS", description = "The status word: 592, 0x250, 250h, …")
  private String status;

  @Option(
      names = "--profile",
      paramLabel = "P",
      description = "cia402 or run-and-stop. Default: ${DEFAULT-VALUE}.",
      defaultValue = "cia402")
  private String profile;

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
    WordProfile words = StandIns.profile(profile);
    int shown = Words.parse(status);
    Optional<WordState> state = words.shown(shown);
    List<String> bits = WordMachine.names(words.statusBits(), shown);
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
              "bits",
              bits,
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
      way.forEach(
          s ->
              output
                  .text()
                  .printf(
                      "  send %s  %s, wait for %s%n",
                      Words.hex(s.word()), s.command(), s.then().name()));
    }
    return state.isPresent() ? 0 : 1;
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
