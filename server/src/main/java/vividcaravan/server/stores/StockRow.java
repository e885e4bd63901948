package vividcaravan.server.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import vividcaravan.core.planning.KitItem;

@Entity
@Table(name = "stock")
class StockRow {
    @Id
    @Enumerated(EnumType.STRING)
    KitItem item;

    int onHand;
}
