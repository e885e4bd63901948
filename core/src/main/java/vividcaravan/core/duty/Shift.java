package vividcaravan.core.duty;

import java.time.DayOfWeek;
import java.time.LocalTime;

/**
 * A stretch of every week in which somebody is on duty, by the clock on the depot's wall.
 *
 * @param who user name
 * @param day on which it begins
 * @param from when it begins
 * @param to when it ends; not later than {@code from} means on the day after
 */
public record Shift(String who, DayOfWeek day, LocalTime from, LocalTime to) {}
