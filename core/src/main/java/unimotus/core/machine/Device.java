package unimotus.core.machine;

import java.util.Map;

/** Anything of the line with terminals: a controller, a drive or a panel part. */
public sealed interface Device permits Controller, Drive, Part {

  /** The stable id, unique among all devices of the line. */
  String id();

  /** What people call it. */
  String name();

  /** Id of its device sheet. */
  String sheet();

  /** Selector positions that differ from the sheet's initial ones, by selector id. */
  Map<String, String> selectors();

  /** This device with one selector in another position. */
  Device withSelector(String selectorId, String position);
}
