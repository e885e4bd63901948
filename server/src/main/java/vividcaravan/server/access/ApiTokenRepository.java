package vividcaravan.server.access;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ApiTokenRepository extends JpaRepository<ApiTokenRow, Long> {

    List<ApiTokenRow> findAllByIsDemoOrderById(boolean isDemo);
}
