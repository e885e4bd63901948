package vividcaravan.server.access;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface AccountRepository extends JpaRepository<AccountRow, Long> {

    Optional<AccountRow> findByUserName(String userName);

    List<AccountRow> findAllByIsDemoOrderByUserName(boolean isDemo);

    long countByIsDemoAndRoleAndRemovedAtIsNull(boolean isDemo, Role role);

    boolean existsByIsDemoAndEmailIgnoreCaseAndRemovedAtIsNull(boolean isDemo, String email);
}
