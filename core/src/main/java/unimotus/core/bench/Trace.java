package unimotus.core.bench;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * What was seen on the bench, one sample a tick. Arrays are not handed out; ask sample by sample.
 */
public final class Trace {
  /** The recorded quantities. */
  public enum Channel {
    REFERENCE("Reference", "Hz"),
    OUTPUT("Output frequency", "Hz"),
    SHAFT("Shaft speed", "rpm"),
    CURRENT("Current estimate", "A"),
    TORQUE("Torque", "N·m");

    private final String label;
    private final String unit;

    Channel(String label, String unit) {
      this.label = label;
      this.unit = unit;
    }

    /** The name shown to the user. */
    public String label() {
      return label;
    }

    /** The unit of the samples. */
    public String unit() {
      return unit;
    }
  }

  private static final DriveStatus[] STATUSES = DriveStatus.values();

  private final double[][] samples;
  private final byte[] statuses;

  private Trace(double[][] samples, byte[] statuses) {
    this.samples = samples;
    this.statuses = statuses;
  }

  /** How many samples there are. */
  public int size() {
    return statuses.length;
  }

  /** Time at the end of the tick of sample {@code index}, in seconds. */
  public double seconds(int index) {
    return (index + 1) * Bench.TICK_SECONDS;
  }

  /** The sample at or just before {@code seconds}, within the trace. */
  public int indexAt(double seconds) {
    int index = (int) Math.round(seconds / Bench.TICK_SECONDS) - 1;
    return Math.max(0, Math.min(size() - 1, index));
  }

  /** The value of a channel at a sample. */
  public double value(Channel channel, int index) {
    return samples[channel.ordinal()][index];
  }

  /** What the drive reported at a sample. */
  public DriveStatus status(int index) {
    return STATUSES[statuses[index]];
  }

  /** Seconds from {@code from} until the channel's size first is at or above {@code level}. */
  public OptionalDouble secondsToRise(Channel channel, double from, double level) {
    for (int i = indexAt(from); i < size(); i++) {
      if (Math.abs(value(channel, i)) >= level) {
        return OptionalDouble.of(seconds(i) - from);
      }
    }
    return OptionalDouble.empty();
  }

  /** Seconds from {@code from} until the channel's size first is at or below {@code level}. */
  public OptionalDouble secondsToFall(Channel channel, double from, double level) {
    for (int i = indexAt(from); i < size(); i++) {
      if (Math.abs(value(channel, i)) <= level) {
        return OptionalDouble.of(seconds(i) - from);
      }
    }
    return OptionalDouble.empty();
  }

  /** Collects samples while the bench runs. */
  static final class Recorder {
    private final double[][] samples;
    private final byte[] statuses;
    private int count;

    Recorder(int ticks) {
      samples = new double[Channel.values().length][ticks];
      statuses = new byte[ticks];
    }

    void record(VirtualAxis axis) {
      samples[0][count] = axis.referenceHertz();
      samples[1][count] = axis.outputHertz();
      samples[2][count] = axis.shaftRpm();
      samples[3][count] = axis.currentAmperes();
      samples[4][count] = axis.torqueNewtonMetres();
      statuses[count] = (byte) axis.status().ordinal();
      count++;
    }

    Trace trace() {
      double[][] cut = new double[samples.length][];
      for (int i = 0; i < samples.length; i++) {
        cut[i] = count == statuses.length ? samples[i] : Arrays.copyOf(samples[i], count);
      }
      return new Trace(cut, count == statuses.length ? statuses : Arrays.copyOf(statuses, count));
    }
  }
}
