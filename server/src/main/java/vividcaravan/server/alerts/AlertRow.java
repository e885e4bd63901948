package vividcaravan.server.alerts;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import vividcaravan.core.alert.Alert;
import vividcaravan.core.alert.AlertEntry;
import vividcaravan.core.alert.AlertFamily;
import vividcaravan.core.alert.AlertKind;
import vividcaravan.core.alert.AlertState;
import vividcaravan.core.alert.Evidence;
import vividcaravan.core.alert.EvidenceBuilder;
import vividcaravan.core.alert.Handling;
import vividcaravan.core.alert.Others;
import vividcaravan.core.alert.Urgency;
import vividcaravan.core.alert.Verdict;
import vividcaravan.core.axles.Position;

@Entity
@Table(name = "alert")
class AlertRow {
    @Id
    long id;

    long changeSeq;
    long vehicleId;
    String position;

    @Enumerated(EnumType.STRING)
    AlertFamily family;

    @Enumerated(EnumType.STRING)
    AlertKind kind;

    @Enumerated(EnumType.STRING)
    Urgency urgency;

    @Enumerated(EnumType.STRING)
    AlertState state;

    long openedAt;
    Instant updatedAt;
    Long closedAt;
    Long shelvedUntil;
    long lastSeenAt;
    boolean isActive;
    boolean isRunSoft;
    long evidenceAt;
    Double pressureKpa;

    @Column(name = "pressure_at20_kpa")
    Double pressureAt20Kpa;

    @Column(name = "temperature_c")
    Double temperatureC;

    Double targetKpa;
    Double limitKpa;

    @Column(name = "limit_c")
    Double limitC;

    boolean isCompensated;
    Double fallKpa;
    Integer minutesToCritical;
    boolean evidenceRunSoft;
    boolean isParked;
    Integer batteryMv;
    Double lossKpaPerHour;
    Double lossErrorKpaPerHour;

    @Column(name = "siblings_c")
    Double siblingsC;

    @Column(name = "mate_kpa_at20")
    Double mateKpaAt20;

    Integer siblings;

    @Column(name = "across_c")
    Double acrossC;

    @Column(name = "mate_c")
    Double mateC;

    Double siblingsLossKpaPerHour;
    Double siblingsDeviation;
    Integer refills;
    String otherPosition;
    Long lastHeardAt;
    /** Such as {@code 1L 165.2,1R 170.0}: what wheels lack, kPa; null where none is named. */
    String shortfalls;

    double toGaugeKpa;

    /** What its days show of a leak; null where they show none. */
    Long daysSince;

    Double daysKpaPerDay;
    Double daysErrorKpaPerDay;
    Long daysLowAt;
    Integer daysFillings;
    /** Where its level stepped; null where it did not. */
    Long stepFrom;

    Long stepTo;
    Double stepKpa;
    /** User name of whoever is to deal with it. */
    String assignee;
    /** The alert that stands for this one too. */
    Long sameCauseAs;

    @Enumerated(EnumType.STRING)
    Verdict verdict;

    /** How it stood before the last act; null where that cannot be taken back. */
    @Enumerated(EnumType.STRING)
    AlertState stateBefore;

    Long closedAtBefore;
    Long shelvedUntilBefore;
    String assigneeBefore;
    Long sameCauseAsBefore;

    static AlertRow of(Alert alert, long vehicleId, long changeSeq, Instant now) {
        AlertRow row = new AlertRow();
        row.id = alert.id();
        row.changeSeq = changeSeq;
        row.vehicleId = vehicleId;
        row.position = alert.position() == null ? null : alert.position().code();
        row.family = alert.kind().family();
        row.kind = alert.kind();
        row.urgency = alert.urgency();
        row.state = alert.state();
        row.openedAt = alert.openedAt();
        row.updatedAt = now;
        row.closedAt = alert.closedAt();
        row.shelvedUntil = alert.shelvedUntil();
        row.lastSeenAt = alert.lastSeenAt();
        row.isActive = alert.isActive();
        row.isRunSoft = alert.isRunSoft();
        row.take(alert.evidence());
        row.take(alert.handling());
        return row;
    }

    private void take(Handling handling) {
        assignee = handling.assignee();
        sameCauseAs = handling.sameCauseAs();
        verdict = handling.verdict();
        Handling.Before before = handling.before();
        stateBefore = before == null ? null : before.state();
        closedAtBefore = before == null ? null : before.closedAt();
        shelvedUntilBefore = before == null ? null : before.shelvedUntil();
        assigneeBefore = before == null ? null : before.assignee();
        sameCauseAsBefore = before == null ? null : before.sameCauseAs();
    }

    private Handling handling() {
        Handling.Before before = stateBefore == null
                ? null
                : new Handling.Before(
                        stateBefore, closedAtBefore, shelvedUntilBefore, assigneeBefore, sameCauseAsBefore);
        return new Handling(assignee, sameCauseAs, verdict, before);
    }

    private void take(Evidence evidence) {
        evidenceAt = evidence.at();
        pressureKpa = evidence.pressureKpa();
        pressureAt20Kpa = evidence.pressureAt20Kpa();
        temperatureC = evidence.temperatureC();
        targetKpa = evidence.targetKpa();
        limitKpa = evidence.limitKpa();
        limitC = evidence.limitC();
        isCompensated = evidence.isCompensated();
        fallKpa = evidence.fallKpa();
        minutesToCritical = evidence.minutesToCritical();
        evidenceRunSoft = evidence.isRunSoft();
        isParked = evidence.isParked();
        batteryMv = evidence.batteryMv();
        lossKpaPerHour = evidence.lossKpaPerHour();
        lossErrorKpaPerHour = evidence.lossErrorKpaPerHour();
        refills = evidence.refills();
        otherPosition = evidence.other() == null ? null : evidence.other().code();
        lastHeardAt = evidence.lastHeardAt();
        toGaugeKpa = evidence.toGaugeKpa();
        shortfalls = evidence.shortfalls().isEmpty()
                ? null
                : evidence.shortfalls().stream()
                        .map(lack -> lack.position().code() + " " + lack.kpa())
                        .collect(Collectors.joining(","));
        takeDays(evidence.overDays());
        takeStep(evidence.step());
        Others others = evidence.others();
        siblings = others.count();
        siblingsC = others.celsius();
        acrossC = others.acrossC();
        mateC = others.mateC();
        mateKpaAt20 = others.mateKpaAt20();
        siblingsLossKpaPerHour = others.lossKpaPerHour();
        siblingsDeviation = others.deviation();
    }

    private void takeDays(Evidence.OverDays days) {
        daysSince = days == null ? null : days.since();
        daysKpaPerDay = days == null ? null : days.kpaPerDay();
        daysErrorKpaPerDay = days == null ? null : days.errorKpaPerDay();
        daysLowAt = days == null ? null : days.lowAt();
        daysFillings = days == null ? null : days.fillings();
    }

    private void takeStep(Evidence.Step step) {
        stepFrom = step == null ? null : step.from();
        stepTo = step == null ? null : step.to();
        stepKpa = step == null ? null : step.kpa();
    }

    private Evidence.OverDays overDays() {
        return daysSince == null
                ? null
                : new Evidence.OverDays(daysSince, daysKpaPerDay, daysErrorKpaPerDay, daysLowAt, daysFillings);
    }

    private Evidence.Step step() {
        return stepFrom == null ? null : new Evidence.Step(stepFrom, stepTo, stepKpa);
    }

    private Others others() {
        // Alerts of earlier versions know less of them.
        return new Others(
                siblings == null ? 0 : siblings,
                siblingsC,
                acrossC,
                mateC,
                mateKpaAt20,
                siblingsLossKpaPerHour,
                siblingsDeviation);
    }

    private List<Evidence.Shortfall> lacking() {
        return shortfalls == null
                ? List.of()
                : Arrays.stream(shortfalls.split(","))
                        .map(lack -> lack.split(" "))
                        .map(lack -> new Evidence.Shortfall(Position.parse(lack[0]), Double.parseDouble(lack[1])))
                        .toList();
    }

    Alert alert(List<AlertEntry> entries) {
        Evidence evidence = new EvidenceBuilder(evidenceAt)
                .measured(pressureKpa, pressureAt20Kpa, temperatureC)
                .target(targetKpa)
                .limits(limitKpa, limitC)
                .compensated(isCompensated)
                .fall(fallKpa)
                .minutesToCritical(minutesToCritical)
                .runSoft(evidenceRunSoft)
                .parked(isParked)
                .battery(batteryMv)
                .loss(lossKpaPerHour, lossErrorKpaPerHour)
                .refills(refills)
                .other(otherPosition == null ? null : Position.parse(otherPosition))
                .lastHeard(lastHeardAt)
                .others(others())
                .shortfalls(lacking())
                .toGauge(toGaugeKpa)
                .overDays(overDays())
                .step(step())
                .build();
        return new Alert(
                id,
                position == null ? null : Position.parse(position),
                kind,
                urgency,
                state,
                openedAt,
                closedAt,
                shelvedUntil,
                lastSeenAt,
                isActive,
                isRunSoft,
                evidence,
                handling(),
                entries);
    }
}
