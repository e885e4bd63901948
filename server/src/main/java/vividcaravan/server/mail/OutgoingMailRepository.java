package vividcaravan.server.mail;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface OutgoingMailRepository extends JpaRepository<OutgoingMailRow, Long> {

    List<OutgoingMailRow> findTop100ByIsDemoOrderByIdDesc(boolean isDemo);

    List<OutgoingMailRow> findTop20ByStateAndIsDemoAndNextTryAtLessThanEqualOrderById(
            MailState state, boolean isDemo, Instant now);
}
