package vividcaravan.server.logbook;

/** What kinds of deeds there are. Their names are kept for good: add, never rename. */
public enum DeedKind {
    BOOK_BEGUN("the book begun"),
    VEHICLE_DESCRIBED("vehicle described"),
    VEHICLE_REDESCRIBED("description changed"),
    VEHICLES_DESCRIBED("vehicles described"),
    VEHICLE_STATE_CHANGED("vehicle in or out of service"),
    VEHICLE_USE_CHANGED("use changed"),
    DEPOT_CHANGED("depot changed"),
    FLEET_IMPORTED("fleet imported"),
    LIMITS_CHANGED("limits changed"),
    LIMITS_UNDONE("limits undone"),
    LOAD_TABLE_ENTERED("load table entered"),
    LOAD_TABLE_FORGOTTEN("load table forgotten"),
    SENSOR_PLACED("sensor placed"),
    SENSOR_RETIRED("sensor retired"),
    SENSOR_BROUGHT_BACK("sensor brought back"),
    SENSOR_MAKE_CHANGED("sensor kind changed"),
    PRESSURE_SET("pressure set"),
    ALERT_RAISED("alert raised"),
    ALERT_CHANGED("alert changed"),
    ALERT_ACKNOWLEDGED("alert acknowledged"),
    ALERT_TAKEN_IN_HAND("alert taken in hand"),
    ALERT_SHELVED("alert put aside"),
    ALERT_UNSHELVED("alert back from aside"),
    ALERT_ASSIGNED("alert given to somebody"),
    ALERT_COUNTED_WITH("alert counted with another"),
    ALERT_REOPENED("alert opened again"),
    ALERT_TAKEN_BACK("act on an alert taken back"),
    REPAIR_OPENED("repair opened"),
    REPAIR_ENDED("repair ended"),
    ALERT_NOTED("note on an alert"),
    ALERT_ESCALATED("somebody called for an alert"),
    DUTY_CHANGED("duty list changed"),
    ALERT_INSTRUCTED("driver told what to do"),
    ALERT_READ("read by a driver"),
    ALERT_ANSWERED("answer of a driver"),
    ALERT_RECOVERED("alert recovered"),
    ALERT_CLOSED("alert closed"),
    JOB_OPENED("job opened"),
    JOB_ENTERED("entry for a job"),
    JOB_ENDED("job ended"),
    ROUND_BEGUN("round begun"),
    ROUND_REASON("reason given in a round"),
    ROUND_ENDED("round ended"),
    WORKSHOP_RULES_CHANGED("workshop's rules changed"),
    STOCK_COUNTED("stock counted"),
    PLAN_KEPT("kit plan kept"),
    PLAN_RESERVED("kit put aside"),
    PLAN_RELEASED("kit let go"),
    PLAN_HANDED_OUT("kit handed out"),
    ACCOUNT_MADE("person added"),
    ACCOUNT_REMOVED("person taken off"),
    VEHICLES_ASSIGNED("driver's vehicles"),
    PASSWORD_CHANGED("password changed"),
    SESSIONS_ENDED("sessions ended"),
    SIGNED_IN("signed in"),
    SIGNED_OUT("signed out"),
    PREFERENCES_CHANGED("own reading changed"),
    INVITATION_MADE("invitation made"),
    INVITATION_ENDED("invitation ended"),
    TOKEN_MADE("token made"),
    TOKEN_ENDED("token ended"),
    TOKEN_PASSED_ON("token passed on"),
    MAIL_WRITTEN("mail written"),
    MAIL_SENT("mail sent"),
    MAIL_FAILED("mail not taken"),
    MAIL_TRIED_AGAIN("mail tried again"),
    BACKUP_MADE("backup made"),
    RESTORED("backup restored"),
    BOOK_SEALED("the book's number mailed"),
    DEMO_PLAYED("demo played");

    private final String words;

    DeedKind(String words) {
        this.words = words;
    }

    /** In plain words, as a filter names it. */
    public String words() {
        return words;
    }
}
