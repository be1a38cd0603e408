package unimotus.cli;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import picocli.CommandLine.Option;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;

/** Which of an axis' chains is meant. */
final class ChainOption {
  @Option(
      names = "--chain",
      paramLabel = "C",
      description = "A chain beside the main one, such as preset; the main one where not given.")
  private String key = "";

  /** The chain that is meant; empty for the main one. */
  Optional<Chain> of(ProjectInput.Complete axis) {
    List<Chain> beside = axis.review().beside();
    if (key.isEmpty()) {
      return Optional.empty();
    }
    Optional<Chain> chain = beside.stream().filter(c -> c.key().equals(key)).findFirst();
    if (chain.isEmpty()) {
      throw new IllegalArgumentException(
          "axis %s has no chain '%s' beside its main one; it has %s"
              .formatted(
                  axis.review().axis().id(),
                  key,
                  beside.isEmpty()
                      ? "none"
                      : beside.stream().map(Chain::key).collect(Collectors.joining(", "))));
    }
    return chain;
  }

  /** Its path. */
  SignalPath path(ProjectInput.Complete axis) {
    return of(axis).map(Chain::path).orElse(axis.path());
  }
}
