package unimotus.devices.ethercat.mailbox;

import java.util.Map;

/** A mail that a station cannot follow; it answers with the number (ETG.1000.6, from memory). */
public final class MailFault extends Exception {
  private static final long serialVersionUID = 1L;

  /** It carries something the station does not know. */
  public static final int NO_PROTOCOL = 2;

  /** It asks for a service the station does not have. */
  public static final int NO_SERVICE = 4;

  /** It is shorter than what it asks for needs. */
  public static final int TOO_SHORT = 6;

  /** It says another length than the mailbox has room for. */
  public static final int WRONG_SIZE = 8;

  private static final Map<Integer, String> MEANINGS =
      Map.of(
          1,
          "its header cannot be followed",
          NO_PROTOCOL,
          "what it carries is not known",
          3,
          "the channel is not known",
          NO_SERVICE,
          "the service is not known",
          5,
          "the header of what it carries is wrong",
          TOO_SHORT,
          "it is too short",
          7,
          "out of memory",
          WRONG_SIZE,
          "its length is wrong");

  private final int number;

  /** A fault of a number. */
  public MailFault(int number) {
    super(
        "mailbox error 0x%04X, %s"
            .formatted(number, MEANINGS.getOrDefault(number, "not in the standard")));
    this.number = number;
  }

  /** The number that is answered. */
  public int number() {
    return number;
  }
}
