package unimotus.formats.packed;

/** What comes next in a packed stream; written as its place in this list. */
enum Kind {
  NULL,
  TEXT,
  NUMBER,
  WHOLE,
  LARGE,
  DECIMAL,
  YES,
  NO,
  LIST,
  MAP,
  ENUM,
  RECORD;

  private static final Kind[] ALL = values();

  static Kind of(int place) {
    return ALL[place];
  }
}
