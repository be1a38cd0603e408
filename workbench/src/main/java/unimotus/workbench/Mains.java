package unimotus.workbench;

import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Feed;
import unimotus.core.sheet.DriveSheet;

/** The mains an axis is fed from, as they are common (IEC 60038, from memory). */
public enum Mains {
  NOT_KNOWN("not known yet", 0, 0),
  THREE_400("3 phases, 400 V", 400, 3),
  THREE_480("3 phases, 480 V", 480, 3),
  THREE_230("3 phases, 230 V", 230, 3),
  ONE_230("1 phase, 230 V", 230, 1),
  ONE_120("1 phase, 120 V", 120, 1);

  private final String label;
  private final double volts;
  private final int phases;

  Mains(String label, double volts, int phases) {
    this.label = label;
    this.volts = volts;
    this.phases = phases;
  }

  /** The words it is chosen by. */
  public String label() {
    return label;
  }

  /** A drive's record with these mains; as it was where they are not known. */
  DriveRecord on(DriveRecord record, DriveSheet sheet) {
    return this == NOT_KNOWN
        ? record
        : record.withFeed(Feed.ratedFor(sheet).withMains(volts, phases));
  }
}
