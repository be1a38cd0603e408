package unimotus.core.sheet;

import java.util.List;

/**
 * A class of panel part.
 *
 * @param id stable id
 * @param name class of the part in words
 * @param terminals its terminals
 * @param selectors its jumpers and switches inside
 * @param positions what it can be turned, pushed or driven to, the rest position first; empty for a
 *     part without contacts
 */
public record PartSheet(
    String id,
    String name,
    List<Terminal> terminals,
    List<Selector> selectors,
    List<String> positions)
    implements DeviceSheet {
  /** Position of a relay or contactor whose coil is not driven. */
  public static final String RELEASED = "released";

  /** Position of a relay or contactor whose coil is driven. */
  public static final String ENERGISED = "energised";

  /** Copies the lists and checks that contacts close in positions there are. */
  public PartSheet {
    terminals = List.copyOf(terminals);
    selectors = List.copyOf(selectors);
    positions = List.copyOf(positions);
    for (Terminal terminal : terminals) {
      for (String position : terminal.closedIn()) {
        if (!positions.contains(position)) {
          throw new IllegalArgumentException(
              "sheet %s: contact %s closes in '%s', which is not one of %s"
                  .formatted(id, terminal.id(), position, positions));
        }
      }
    }
  }

  /** Whether a coil moves the contacts. */
  public boolean hasCoil() {
    return first(TerminalRole.COIL).isPresent();
  }

  /** Whether the part watches safety channels and moves its contacts by what it finds. */
  public boolean hasLogic() {
    return first(TerminalRole.SAFETY_INPUT).isPresent();
  }

  /** Whether a coil or the part's own logic moves the contacts. */
  public boolean isDriven() {
    return hasCoil() || hasLogic();
  }

  /** Whether the part switches its outputs only while it is fed, as a light curtain. */
  public boolean needsFeed() {
    return !isDriven()
        && terminals.stream().anyMatch(PartSheet::isSemiconductor)
        && first(TerminalRole.POWER_INPUT).isPresent();
  }

  /** Whether a position of the part switches this output, and it needs power for that. */
  private static boolean isSemiconductor(Terminal terminal) {
    return terminal.role() == TerminalRole.SAFETY_OUTPUT
        || terminal.role().isTransistor() && !terminal.closedIn().isEmpty();
  }

  /** Whether a hand moves the contacts. */
  public boolean isOperatedByHand() {
    return positions.size() > 1 && !isDriven();
  }

  @Override
  public PartSheet withIdentity(String nextId, String nextName) {
    return new PartSheet(nextId, nextName, terminals, selectors, positions);
  }

  @Override
  public PartSheet withTerminals(List<Terminal> next) {
    return new PartSheet(id, name, next, selectors, positions);
  }

  @Override
  public PartSheet withSelectors(List<Selector> next) {
    return new PartSheet(id, name, terminals, next, positions);
  }
}
