package vividcaravan.server.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.SequenceGenerator;
import jakarta.persistence.Table;

@Entity
@Table(name = "kit_plan")
class KitPlanRow {
    @Id
    @GeneratedValue(strategy = GenerationType.SEQUENCE, generator = "kit_plan_seq")
    @SequenceGenerator(name = "kit_plan_seq", sequenceName = "kit_plan_seq", allocationSize = 1)
    long id;

    @Enumerated(EnumType.STRING)
    KitPlanState state;

    long madeAt;
    String madeBy;
    long changedAt;
    String changedBy;
    String payload;
}
