require_relative "screens"

# Files that a person brings in, and those that they have downloaded.
module FilesOfAPerson
  # @return [String] where it lies
  def file(name, text) = File.join(Dir.mktmpdir("brought", DOWNLOADS), name).tap { |path| File.binwrite(path, text) }

  def bring(*paths) = find(".bring-in input[type=file]", visible: :all).attach_file(paths)

  # @return [String] its bytes
  def downloaded(name)
    path = File.join(DOWNLOADS, name)
    eventually { expect(File.exist?(path)).to be true }
    File.binread(path)
  end
end
