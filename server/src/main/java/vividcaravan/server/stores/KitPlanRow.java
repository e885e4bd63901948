package vividcaravan.server.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "kit_plan")
class KitPlanRow {
    @Id
    long id;

    @Enumerated(EnumType.STRING)
    KitPlanState state;

    long madeAt;
    String madeBy;
    long changedAt;
    String changedBy;
    String payload;
}
