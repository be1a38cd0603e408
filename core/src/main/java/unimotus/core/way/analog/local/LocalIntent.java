package unimotus.core.way.analog.local;

import java.util.List;
import java.util.function.BiConsumer;
import unimotus.core.link.Draft;
import unimotus.core.link.LinkChoice;
import unimotus.core.link.LinkGroup;
import unimotus.core.link.LinkIntent;

/** How a speed that is set at the drive is wired. */
enum LocalIntent implements LinkIntent {
  POTENTIOMETER(
      "Local potentiometer",
      "on the drive's own 10 V",
      List.of(LinkChoice.ONLY),
      (draft, choice) -> LocalLinks.potentiometer(draft)),
  KEYPAD(
      "Keypad",
      "the speed is entered at the drive, nothing is wired",
      List.of(LinkChoice.ONLY),
      (draft, choice) -> LocalLinks.keypad(draft)),
  HAND_OFF_AUTO(
      "Hand – Off – Auto",
      "selector and local potentiometer",
      List.of(
          new LinkChoice(LocalLinks.DELAYED, "start with a delay, which Hand always reaches"),
          new LinkChoice("plain", "plain start, which races the stop contact"),
          new LinkChoice("two-wire", "run kept closed, by the program in Auto and by Hand")),
      (draft, choice) -> {
        if (choice.key().equals("two-wire")) {
          LocalLinks.handOffAutoTwoWire(draft);
        } else {
          LocalLinks.handOffAuto(draft, choice.key().equals(LocalLinks.DELAYED));
        }
      });

  private final Account account;
  private final List<LinkChoice> choices;
  private final BiConsumer<Draft, LinkChoice> wiring;

  LocalIntent(
      String label, String hint, List<LinkChoice> choices, BiConsumer<Draft, LinkChoice> wiring) {
    this.account = new Account(LinkGroup.REFERENCE, label, hint);
    this.choices = choices;
    this.wiring = wiring;
  }

  @Override
  public Account account() {
    return account;
  }

  @Override
  public List<LinkChoice> choices() {
    return choices;
  }

  @Override
  public void wire(Draft draft, LinkChoice choice) {
    wiring.accept(draft, choice);
  }
}
