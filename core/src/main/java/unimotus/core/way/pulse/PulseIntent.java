package unimotus.core.way.pulse;

import java.util.List;
import java.util.Optional;
import unimotus.core.link.Draft;
import unimotus.core.link.LinkChoice;
import unimotus.core.link.LinkGroup;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.sheet.Meaning;

/** What a step driver is wired with. */
enum PulseIntent implements LinkIntent {
  /** Step and direction. */
  PULSES("Pulses and direction", "two outputs to a step driver, with a resistor where needed"),
  /** Its enable input, of either sense. */
  DRIVER_ENABLE(
      "Enable of a step driver",
      "an output on its enable input; left open it stays as its sheet says");

  private final Account account;

  PulseIntent(String label, String hint) {
    this.account = new Account(LinkGroup.REFERENCE, label, hint);
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public boolean suits(AxisAssembly axis) {
    return axis.isStepped();
  }

  @Override
  public List<LinkChoice> choices() {
    return List.of(
        new LinkChoice(PulseWiring.COMMON_ANODE, "common anode: + joined, outputs switch to 0 V"),
        new LinkChoice(PulseWiring.COMMON_CATHODE, "common cathode: 0 V joined, outputs give +"),
        new LinkChoice(PulseWiring.LINE_DRIVER, "line driver: both ends of each output"));
  }

  @Override
  public void wire(Draft draft, LinkChoice choice) {
    PulseWiring wiring = new PulseWiring(draft, choice.key());
    if (this == PULSES) {
      wiring.lead(Meaning.STEP.word());
      wiring.lead(Meaning.DIRECTION.word());
    } else {
      wiring.lead(enable(draft));
    }
  }

  private static String enable(Draft draft) {
    Optional<String> made =
        List.of(Meaning.ENABLE, Meaning.DISABLE).stream()
            .map(Meaning::word)
            .filter(word -> draft.inputSetTo(word).isPresent())
            .findFirst();
    return made.orElseThrow(() -> Draft.lacking(draft.drive(), "enable input"));
  }
}
