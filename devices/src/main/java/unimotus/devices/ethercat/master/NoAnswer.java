package unimotus.devices.ethercat.master;

import java.io.IOException;

/** No fitting telegram came back in time; the wire itself is as good as before. */
public final class NoAnswer extends IOException {
  private static final long serialVersionUID = 1L;

  NoAnswer(String words) {
    super(words);
  }
}
