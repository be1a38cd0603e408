package unimotus.core.motor;

/** How the windings of a motor are joined. */
public enum Connection {
  STAR("Y", "star"),
  DELTA("Δ", "delta");

  private final String sign;
  private final String label;

  Connection(String sign, String label) {
    this.sign = sign;
    this.label = label;
  }

  /** The sign on plates. */
  public String sign() {
    return sign;
  }

  /** The word shown. */
  public String label() {
    return label;
  }
}
