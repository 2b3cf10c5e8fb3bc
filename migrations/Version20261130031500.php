<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130031500 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Students answer each other.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('CREATE TABLE peer_answer (liked TEXT NOT NULL, wondered TEXT NOT NULL, written_at TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL, is_shown BOOLEAN DEFAULT false NOT NULL, hand_in_id UUID NOT NULL, reviewer_id UUID NOT NULL, PRIMARY KEY (hand_in_id, reviewer_id))');
        $this->addSql('CREATE INDEX IDX_E4680CF5FB395066 ON peer_answer (hand_in_id)');
        $this->addSql('CREATE INDEX IDX_E4680CF570574616 ON peer_answer (reviewer_id)');
        $this->addSql('ALTER TABLE peer_answer ADD CONSTRAINT FK_E4680CF5FB395066 FOREIGN KEY (hand_in_id) REFERENCES hand_in (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE peer_answer ADD CONSTRAINT FK_E4680CF570574616 FOREIGN KEY (reviewer_id) REFERENCES person (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE assignment ADD peers INT DEFAULT 0 NOT NULL');
        $this->addSql('ALTER TABLE assignment ADD peers_held BOOLEAN DEFAULT true NOT NULL');
    }
}
