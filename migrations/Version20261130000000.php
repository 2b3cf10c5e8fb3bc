<?php

declare(strict_types=1);

namespace Rhapsode\Migrations;

use Doctrine\DBAL\Schema\Schema;
use Doctrine\Migrations\AbstractMigration;

final class Version20261130000000 extends AbstractMigration
{
    public function getDescription(): string
    {
        return 'Rubrics, and what they are filled in with.';
    }

    public function up(Schema $schema): void
    {
        $this->addSql('ALTER TABLE assignment ADD rubric JSON DEFAULT NULL');
        $this->addSql('ALTER TABLE assignment ADD hides_names BOOLEAN DEFAULT false NOT NULL');
        $this->addSql("ALTER TABLE hand_in ADD levels JSON DEFAULT '{}' NOT NULL");
        $this->addSql('ALTER TABLE hand_in ADD rubric JSON DEFAULT NULL');
    }
}
