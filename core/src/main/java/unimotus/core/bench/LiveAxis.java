package unimotus.core.bench;

/** A virtual axis that is commanded while it runs, tick by tick, as by somebody on a fieldbus. */
public final class LiveAxis {
  private final VirtualAxis axis;

  /** An axis at standstill, with permission. */
  public LiveAxis(BenchSetup setup) {
    axis = new VirtualAxis(setup, Bench.TICK_SECONDS);
    act(Action.PERMIT, 0);
  }

  /** An axis as it stands. */
  LiveAxis(VirtualAxis axis) {
    this.axis = axis;
  }

  /** Does something to the axis; the number counts for a reference only. */
  public void act(Action action, double value) {
    axis.apply(new Scenario.Event(0, action, value));
  }

  /** One millisecond passes. */
  public void tick() {
    axis.tick();
  }

  /** Output frequency in hertz, negative in reverse. */
  public double outputHertz() {
    return axis.outputHertz();
  }

  /** Speed of the motor shaft in revolutions a minute, negative in reverse. */
  public double shaftRpm() {
    return axis.shaftRpm();
  }

  /** Torque of the motor in newton metres. */
  public double torqueNewtonMetres() {
    return axis.torqueNewtonMetres();
  }

  /** Motor current in amperes. */
  public double currentAmperes() {
    return axis.currentAmperes();
  }

  /** What the drive does. */
  public DriveStatus status() {
    return axis.status();
  }
}
