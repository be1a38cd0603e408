package unimotus.core.way.preset;

import java.util.List;
import java.util.stream.IntStream;
import unimotus.core.link.Draft;
import unimotus.core.link.LinkChoice;
import unimotus.core.link.LinkGroup;
import unimotus.core.link.LinkIntent;

/** How preset speeds are wired. */
enum PresetIntent implements LinkIntent {
  PRESETS;

  private static final int MOST_INPUTS = 4;

  @Override
  public Account account() {
    return new Account(
        LinkGroup.REFERENCE, "Preset speeds", "one to four outputs, chosen in binary");
  }

  @Override
  public List<LinkChoice> choices() {
    return IntStream.rangeClosed(1, MOST_INPUTS).mapToObj(PresetIntent::choice).toList();
  }

  private static LinkChoice choice(int inputs) {
    return new LinkChoice(
        Integer.toString(inputs),
        "%d %s, %d speeds".formatted(inputs, inputs == 1 ? "input" : "inputs", 1 << inputs));
  }

  /** Two inputs. */
  @Override
  public LinkChoice usual() {
    return choice(2);
  }

  @Override
  public void wire(Draft draft, LinkChoice choice) {
    for (int n = 1; n <= Integer.parseInt(choice.key()); n++) {
      draft.feeds().fromController(draft.input("preset-" + n), "preset-" + n);
    }
  }
}
