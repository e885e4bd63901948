package vividcaravan.server.access;

import java.util.List;
import org.springframework.data.repository.Repository;

interface ApiTokenRepository extends Repository<ApiTokenRow, Long> {

    List<ApiTokenRow> findAllByIsDemoOrderById(boolean isDemo);

    boolean existsByNameIgnoreCase(String name);
}
