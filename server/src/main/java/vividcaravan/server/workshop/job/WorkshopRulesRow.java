package vividcaravan.server.workshop.job;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "workshop_rules")
class WorkshopRulesRow {
    @Id
    long id;

    double minTreadSteerMm;
    double minTreadMm;
    int maxAgeYears;
    boolean retreadOnSteer;
    double gaugeToleranceKpa;
    int retorqueKm;
    int retorqueDays;
}
