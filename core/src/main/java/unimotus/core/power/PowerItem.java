package unimotus.core.power;

import unimotus.core.derivation.Derivation;

/**
 * One thing to see to on the power side of a drive.
 *
 * @param key stable word
 * @param title what it is about
 * @param wanted what it should be, in words with its unit
 * @param doubt what is wrong with it; empty where nothing is
 * @param sum how the number came about
 */
public record PowerItem(String key, String title, String wanted, String doubt, Derivation sum) {}
