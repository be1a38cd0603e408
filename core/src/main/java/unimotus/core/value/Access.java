package unimotus.core.value;

/** Whether a value may be read and written. */
public enum Access {
  READ("read"),
  WRITE("write"),
  READ_WRITE("read, write");

  private final String label;

  Access(String label) {
    this.label = label;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** Whether it may be written. */
  public boolean isWritable() {
    return this != READ;
  }

  /** Whether it may be read. */
  public boolean isReadable() {
    return this != WRITE;
  }
}
