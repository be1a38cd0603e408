package unimotus.core.machine;

import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * A conductor between two terminals.
 *
 * @param id the wire number, 1 to 32 letters, digits and {@code . _ / + -}
 * @param from one end
 * @param to the other end, on another terminal
 * @param make what it is made of; null in a constructor call stands for {@link WireMake#PLAIN}
 */
public record Wire(String id, TerminalRef from, TerminalRef to, WireMake make) {
  private static final Pattern NUMBER = Pattern.compile("[A-Za-z0-9][A-Za-z0-9._/+-]{0,31}");

  /** Refuses a wire that ends where it began. */
  public Wire(String id, TerminalRef from, TerminalRef to, @Nullable WireMake make) {
    if (!NUMBER.matcher(id).matches()) {
      throw new IllegalArgumentException(
          "wire number '%s' must be 1 to 32 letters, digits and . _ / + -".formatted(id));
    }
    if (from.equals(to)) {
      throw new IllegalArgumentException("wire %s has both ends on %s".formatted(id, from));
    }
    this.id = id;
    this.from = from;
    this.to = to;
    this.make = make == null ? WireMake.PLAIN : make;
  }

  /** A plain wire. */
  public Wire(String id, TerminalRef from, TerminalRef to) {
    this(id, from, to, null);
  }

  /** This wire made otherwise. */
  public Wire withMake(WireMake next) {
    return new Wire(id, from, to, next);
  }

  /** This wire between other terminals. */
  public Wire withEnds(TerminalRef nextFrom, TerminalRef nextTo) {
    return new Wire(id, nextFrom, nextTo, make);
  }

  /** Whether one end sits on {@code terminal}. */
  public boolean touches(TerminalRef terminal) {
    return from.equals(terminal) || to.equals(terminal);
  }

  /** Whether one end sits on the device {@code deviceId}. */
  public boolean touches(String deviceId) {
    return from.device().equals(deviceId) || to.device().equals(deviceId);
  }

  /** The end that is not {@code terminal}. */
  public TerminalRef otherEnd(TerminalRef terminal) {
    return from.equals(terminal) ? to : from;
  }
}
