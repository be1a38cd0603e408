package unimotus.core.link;

/** What a link belongs to, in the order they are offered. */
public enum LinkGroup {
  RUN,
  REFERENCE,
  ANSWER
}
