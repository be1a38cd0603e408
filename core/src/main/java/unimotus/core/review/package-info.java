/**
 * The whole line looked over after every edit: each axis assembled, its path built, all rules
 * asked.
 *
 * <p>Entry: {@link unimotus.core.review.LineReview#of}. What has not changed since the last review
 * is taken over from it.
 */
@NullMarked
package unimotus.core.review;

import org.jspecify.annotations.NullMarked;
