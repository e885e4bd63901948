package vividcaravan.core.alert;

import vividcaravan.core.axles.Position;

/**
 * A wheel, an axle or a whole vehicle that was taken out of service with a reason, until some time. What its readings say of it is
 * put aside as long; what says stop now, a tyre that was run soft and what people see are told all the same.
 *
 * @param id identity
 * @param axle counted from the front, or null for one wheel or the vehicle
 * @param position the wheel, or null
 * @param reason why
 * @param until when it ends by itself, epoch milliseconds
 * @param by user name of whoever took it out
 */
public record Outage(long id, Integer axle, Position position, String reason, long until, String by) {

    /** For how long at most a wheel or an axle may be out: as long as an alert may be put aside. */
    public static final long LONGEST_MILLIS = Alert.LONGEST_SHELVED_MILLIS;

    /** Whether it is the whole vehicle. */
    public boolean isVehicle() {
        return axle == null && position == null;
    }

    /** Whether the wheel at {@code other} is out by it; a whole vehicle stands aside by its state. */
    public boolean covers(Position other) {
        return position != null
                ? position.equals(other)
                : axle != null && other != null && !other.isSpare() && other.axle() == axle;
    }

    /**
     * Whether {@code alert} is put aside as long as it lasts.
     *
     * @param isUnderWay whether the vehicle moves: what moves, or heats or loses air under way, is not out of service
     */
    public boolean holdsBack(Alert alert, boolean isUnderWay) {
        boolean isCalling = alert.state() == AlertState.NEW || alert.state() == AlertState.ACKNOWLEDGED;
        return isCalling
                && covers(alert.position())
                && alert.urgency() != Urgency.STOP_NOW
                && !alert.isRunSoft()
                && alert.kind().family() != AlertFamily.SEEN
                // A wheel that is lifted or tied up does not heat; then it is not out of service.
                && !alert.kind().isHeat()
                && !(alert.kind().isLossOfAir() && isUnderWay);
    }

    /** Whether {@code alert} was put aside by it. */
    public boolean hasHeldBack(Alert alert) {
        return alert.state() == AlertState.SHELVED && covers(alert.position()) && alert.isPutAsideBecause(words());
    }

    /** The place and the reason. */
    public String words() {
        String place = position != null ? position.code() : axle != null ? "axle " + axle : "the vehicle";
        return place + " out of service: " + reason;
    }
}
