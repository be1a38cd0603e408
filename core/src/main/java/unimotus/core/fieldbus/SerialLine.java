package unimotus.core.fieldbus;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * How fast a serial bus is (Modbus over Serial Line V1.02, from memory).
 *
 * @param baud bits a second
 * @param bitsPerCharacter start, data, parity and stop bits; 11 by the standard
 * @param deviceDelaySeconds time from the request to the answer of a device
 */
public record SerialLine(int baud, int bitsPerCharacter, double deviceDelaySeconds) {
  private static final int REQUEST_BYTES = 8;
  private static final int ANSWER_FRAME_BYTES = 5;
  private static final double SILENT_CHARACTERS = 3.5;
  private static final int FAST_BAUD = 19_200;
  private static final double FAST_SILENCE_SECONDS = 0.00175;

  /** Checks the numbers. */
  public SerialLine {
    if (baud < 300 || baud > 12_000_000) {
      throw new IllegalArgumentException("baud must be 300 to 12000000, not " + baud);
    }
    if (bitsPerCharacter < 10 || bitsPerCharacter > 12) {
      throw new IllegalArgumentException("a character has 10 to 12 bits, not " + bitsPerCharacter);
    }
    if (!(deviceDelaySeconds >= 0)) {
      throw new IllegalArgumentException("a device's delay must not be " + deviceDelaySeconds);
    }
  }

  /** Time of one character in seconds. */
  public double characterSeconds() {
    return (double) bitsPerCharacter / baud;
  }

  /** The silence between two frames: 3.5 characters, over 19200 baud 1.75 ms. */
  public double silenceSeconds() {
    return baud > FAST_BAUD ? FAST_SILENCE_SECONDS : SILENT_CHARACTERS * characterSeconds();
  }

  /** Bytes of an answer with so many places of a table. */
  public static int answerBytes(ReadRequest request) {
    int data = request.table().isBits() ? (request.count() + 7) / 8 : 2 * request.count();
    return ANSWER_FRAME_BYTES + data;
  }

  /** Time of a request with its answer, both silences included, in seconds. */
  public double requestSeconds(ReadRequest request) {
    return (REQUEST_BYTES + answerBytes(request)) * characterSeconds()
        + deviceDelaySeconds
        + 2 * silenceSeconds();
  }

  /**
   * Time in which every one of equal drives is asked all requests once.
   *
   * @return the sum, its last step in seconds
   */
  public Derivation cycle(java.util.List<ReadRequest> requests, int drives) {
    int bytes = requests.stream().mapToInt(r -> REQUEST_BYTES + answerBytes(r)).sum();
    double once = requests.stream().mapToDouble(this::requestSeconds).sum();
    return Derivation.of(
        step(
            "character",
            "bits/baud",
            "%d/%d".formatted(bitsPerCharacter, baud),
            characterSeconds()),
        step(
            "silence between frames",
            "3.5 characters, over 19200 baud 1.75 ms",
            "",
            silenceSeconds()),
        step(
            "one drive",
            "n_bytes·t_char + k·(delay + 2·silence)",
            "%d·%s ms + %d·(%s ms + 2·%s ms)"
                .formatted(
                    bytes,
                    millis(characterSeconds()),
                    requests.size(),
                    millis(deviceDelaySeconds),
                    millis(silenceSeconds())),
            once),
        step("cycle", "drives·t", "%d·%s ms".formatted(drives, millis(once)), drives * once));
  }

  private static String millis(double seconds) {
    return QuantityFormat.PLAIN.number(Math.round(seconds * 1e6) / 1e3);
  }

  private static Step step(String quantity, String formula, String put, double seconds) {
    return new Step(
        quantity,
        formula,
        put,
        1000 * seconds,
        MeasureUnit.MILLISECOND,
        "Modbus over Serial Line V1.02 (from memory)");
  }
}
