package vividcaravan.core.judge.rules;

import vividcaravan.core.limits.DutyProfile;

/**
 * What sets the wheels of an axle apart for judging, beside their limits.
 *
 * @param duty what the vehicle does
 * @param hasOwnTemperatures whether the axle's temperature limits are its own and not the duty's
 * @param isBallasted whether its tyres hold liquid: little air, which the gas law does not describe
 * @param isSelfInflating whether a system on the vehicle keeps it inflated: steps up are its work
 */
public record AxleConduct(DutyProfile duty, boolean hasOwnTemperatures, boolean isBallasted, boolean isSelfInflating) {

    /** An axle like most. */
    public static final AxleConduct USUAL = new AxleConduct(DutyProfile.GENERAL, false, false, false);
}
