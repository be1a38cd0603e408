package unimotus.desktop.frames;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** What kind of frames a capture holds, as far as the list of them has to know. */
interface CaptureKind<T> {

  /** Before the ids of its controls. */
  String prefix();

  /** What one of them is called. */
  String noun();

  /** What to begin with while there is none. */
  String hint();

  /** One as a line of the list. */
  String words(T frame);

  /** When it went by, in seconds since the first. */
  double seconds(T frame);

  /** Its bytes. */
  byte[] bytes(T frame);

  /** Whether it is an answer. */
  boolean isAnswer(T frame);

  /** One that was composed. */
  T made(double seconds, byte[] bytes, boolean isAnswer);

  /** Those of the last link under Live. */
  List<T> live();

  /**
   * What a file holds.
   *
   * @param frames the frames
   * @param said how many, in words
   */
  record Read<T>(List<T> frames, String said) {}

  /**
   * Reads a capture.
   *
   * @throws IOException where it is none
   */
  Read<T> read(Path file) throws IOException;

  /** The name of a file to write. */
  String fileName(List<T> frames);

  /**
   * Writes a capture.
   *
   * @throws IOException where it cannot be written
   */
  void write(Path file, List<T> frames) throws IOException;
}
