require "openssl"

# Bytes by their SHA-256: the same file is kept once, however often it is brought in.
# They go to the database and come from it as they are: written as text they would be
# twice as many, and megabytes of them would be put into words and read again.
class Blob < Record
  self.primary_key = "sha256"

  BINARY = 1 # as PG counts formats

  # @return [String] in hexadecimal
  def self.sha256(bytes) = OpenSSL::Digest::SHA256.hexdigest(bytes)

  # @return [String] the SHA-256
  def self.keep(bytes, media_type, sha256 = sha256(bytes))
    unless where(sha256:).update_all(kept_at: Time.now) > 0 # Housekeeping waits for it
      ask("INSERT INTO blobs (sha256, media_type, bytes) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING", [sha256, media_type, {value: bytes.b, format: BINARY}])
    end
    sha256
  end

  # @return [String, nil]
  def self.bytes(sha256) = ask("SELECT bytes FROM blobs WHERE sha256 = $1", [sha256]).then { |found| found.getvalue(0, 0) if found.ntuples > 0 }

  def self.ask(statement, values)
    connection.materialize_transactions
    connection.raw_connection.exec_params(statement, values, BINARY)
  end
  private_class_method :ask
end
