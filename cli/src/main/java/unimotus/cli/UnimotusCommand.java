package unimotus.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;

/** The root: says what there is. */
@Command(
    name = "unimotus",
    mixinStandardHelpOptions = true,
    version = "Unimotus 0.1.0",
    header = "Wires, scales, predicts and proves motor drives on programmable controllers.",
    footerHeading = "%nWindow:%n",
    footer = {
      "  unimotus                    open the desktop",
      "  unimotus FILE               open it with a project",
      "  unimotus demo               open it with the demo line",
      "  unimotus demo --shots DIR   write a picture of every main view, then exit",
      "",
      "It advises. Local codes, the risk assessment and licensed practice decide."
    })
final class UnimotusCommand implements Runnable {
  @Spec private CommandSpec spec;

  @Override
  public void run() {
    spec.commandLine().usage(spec.commandLine().getOut());
  }
}
