package unimotus.core.link;

/**
 * One of several forms of a link.
 *
 * @param key a stable word
 * @param label the words shown to the user
 */
public record LinkChoice(String key, String label) {

  /** Of a link that has one form only. */
  public static final LinkChoice ONLY = new LinkChoice("", "");
}
