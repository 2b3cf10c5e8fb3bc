<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261129230000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Guests, who are asked to one film for a time.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE person ADD until TIMESTAMP(0) WITHOUT TIME ZONE DEFAULT NULL');
        $this->addSql('CREATE TABLE guest (person_id UUID NOT NULL, hand_in_id UUID NOT NULL, PRIMARY KEY (person_id))');
        $this->addSql('CREATE INDEX IDX_ACB79A35FB395066 ON guest (hand_in_id)');
        $this->addSql('ALTER TABLE guest ADD CONSTRAINT FK_ACB79A35217BBB47 FOREIGN KEY (person_id) REFERENCES person (id) NOT DEFERRABLE');
        $this->addSql('ALTER TABLE guest ADD CONSTRAINT FK_ACB79A35FB395066 FOREIGN KEY (hand_in_id) REFERENCES hand_in (id) NOT DEFERRABLE');
    }
}
