package unimotus.devices.ethercat.master;

import java.io.IOException;

/** A station answered otherwise than the standard says, or not at all while others did. */
public final class Unexpected extends IOException {
  private static final long serialVersionUID = 1L;

  Unexpected(String words) {
    super(words);
  }
}
