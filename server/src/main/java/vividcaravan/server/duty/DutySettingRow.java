package vividcaravan.server.duty;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

@Entity
@Table(name = "duty_setting")
class DutySettingRow {
    @Id
    int id;

    int waitMinutes;
    /** By the depot's clock; null where no digest is written. */
    Integer digestHour;
}
