package vividcaravan.server.access;

import java.util.List;
import java.util.Optional;
import org.springframework.data.repository.Repository;

interface InvitationRepository extends Repository<InvitationRow, Long> {

    Optional<InvitationRow> findBySecretHashAndIsDemo(String secretHash, boolean isDemo);

    List<InvitationRow> findAllByIsDemoAndUsedAtIsNullAndWithdrawnAtIsNullOrderById(boolean isDemo);
}
